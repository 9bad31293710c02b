import type { Problem } from '../issues'

/** What a reader gives: a value, or every problem of the input at once. */
export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

/** A result that is there. */
export const ok = <T>(value: T): Result<T> => ({ ok: true, value })
/** A result that is not, with all that stands in its way; at least one problem. */
export const err = (...problems: Problem[]): Result<never> => ({ ok: false, problems })

/** Thrown only where a caller asked for the throwing entry of a reader. Its message names codes; sentences are made by `describeProblem`. */
export class InputError extends Error {
  constructor(readonly problems: Problem[]) {
    super(problems.map(({ code, place }) => `${code} at ${place.path.join(' › ') || 'the top'}`).join('; '))
    this.name = 'InputError'
  }
}

/**
 * The value of a result.
 *
 * @throws InputError with the problems of a result that has none
 */
export function orThrow<T>(result: Result<T>): T {
  if (!result.ok) throw new InputError(result.problems)
  return result.value
}
