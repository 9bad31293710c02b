/**
 * Input faults as records. A fault never carries a sentence: `describeProblem` in the words room writes it last.
 */
export type ProblemCode =
  | 'not-yaml'
  | 'wrong-shape'
  | 'unknown-field'
  | 'unknown-kind'
  | 'unknown-param'
  | 'unknown-part'
  | 'unknown-terminal'
  | 'unknown-phase'
  | 'unknown-signal'
  | 'unknown-fault'
  | 'unknown-test'
  | 'unknown-complaint'
  | 'unknown-program'
  | 'unknown-action'
  | 'unknown-sheet'
  | 'extends-itself'
  | 'bad-quantity'
  | 'wrong-dimension'
  | 'out-of-range'
  | 'bad-condition'
  | 'bad-reading'
  | 'no-exit'
  | 'never-ends'
  | 'never-reached'
  | 'never-runs'
  | 'no-hysteresis'
  | 'missing'
  | 'ambiguous'
  | 'duplicate'
  | 'limit-reached'
  | 'floating-node'
  | 'live-part'

/** Where an input fault stands. Lines and columns count from 1. */
export interface Place {
  file?: string
  line?: number
  column?: number
  /** Path inside the document, for example `['parts', 'lid', 'ohms']`. */
  path: (string | number)[]
}

export interface Problem {
  code: ProblemCode
  place: Place
  /** What stood there. */
  found?: string
  /** What would be right there. */
  expected?: string
}

export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

export const fine = <T>(value: T): Outcome<T> => ({ ok: true, value })
export const wrong = (...problems: Problem[]): Outcome<never> => ({ ok: false, problems })

export function problem(
  code: ProblemCode,
  path: (string | number)[],
  facts: { found?: string; expected?: string } = {},
): Problem {
  return { code, place: { path }, ...facts }
}

/** Thrown only where a caller asked for the throwing entry of a reader. Its message names codes; sentences are made by `describeProblem`. */
export class InputFault extends Error {
  constructor(readonly problems: Problem[]) {
    super(problems.map(({ code, place }) => `${code} at ${place.path.join(' › ') || 'the top'}`).join('; '))
    this.name = 'InputFault'
  }
}

export function orThrow<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new InputFault(outcome.problems)
  return outcome.value
}
