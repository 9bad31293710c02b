import { problem, type Problem, type ProblemCode } from '../../../foundation/issues'
import type { Result } from '../../../foundation/result'
import { parseQuantity, type Dimension, type Quantity } from '../../../foundation/quantity'
import type { Condition } from '../condition'
import { parseCondition } from '../parse-condition'

export type Path = (string | number)[]

/** Collects every problem of one sheet; readers return a harmless value so that the walk goes on. */
export class ProblemCollector {
  readonly problems: Problem[] = []
  report(code: ProblemCode, path: Path, facts: { found?: string; expected?: string } = {}): void {
    this.problems.push(problem(code, path, facts))
  }
  accept<T>(outcome: Result<T>): T | undefined {
    if (outcome.ok) return outcome.value
    this.problems.push(...outcome.problems)
    return undefined
  }
  quantity(text: unknown, dimension: Dimension, path: Path): Quantity {
    const read = this.accept(parseQuantity(String(text), dimension, path))
    if (read && dimension === 'time' && read.value < 0)
      this.report('out-of-range', path, { found: String(text), expected: 'a time of 0 s or more' })
    return read ?? { value: 1, dimension, halfWidth: undefined, bound: undefined }
  }
  condition(text: string, path: Path): Condition {
    return this.accept(parseCondition(text, path)) ?? { type: 'chatters' }
  }
}

/** Entries of a record in the order of writing, without those that a `null` has taken out. */
export const entries = <T>(record: Record<string, T | null> | undefined): [string, T][] =>
  Object.entries(record ?? {}).filter((e): e is [string, T] => e[1] !== null)

/** Names as the `expected` of a problem record. */
export const oneOf = (names: Iterable<string>): string => `one of ${[...names].join(', ')}`
