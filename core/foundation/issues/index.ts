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
  | 'unknown-circumstance'
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
  | 'in-no-chain'
  | 'no-way-back'
  | 'dead-short'
  | 'shorted-part'
  | 'never-begins'
  | 'never-ends'
  | 'never-reached'
  | 'never-runs'
  | 'never-complained'
  | 'no-hysteresis'
  | 'missing'
  | 'ambiguous'
  | 'duplicate'
  | 'limit-reached'
  | 'floating-node'
  | 'live-part'

/** Where an input fault stands. Lines and columns count from 1. */
export interface ProblemLocation {
  file?: string
  line?: number
  column?: number
  /** Path inside the document, for example `['parts', 'lid', 'ohms']`. */
  path: (string | number)[]
}

export interface Problem {
  code: ProblemCode
  place: ProblemLocation
  /** What stood there. */
  found?: string
  /** What would be right there. */
  expected?: string
}

/** A problem record at a path, without file and line: those are added where the text is known. */
export function problem(
  code: ProblemCode,
  path: (string | number)[],
  facts: { found?: string; expected?: string } = {},
): Problem {
  return { code, place: { path }, ...facts }
}
