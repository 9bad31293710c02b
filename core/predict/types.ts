import type { Present } from '../machine'

/**
 * What one test is expected to give under one hypothesis member.
 * A value is Gaussian: `mean` plus shared parameters (`sensitivity`, one entry per shared parameter, in standard
 * deviations) plus independent noise of standard deviation `noise`.
 */
export type Prediction =
  | { is: 'value'; mean: number; sensitivity: Float64Array; noise: number }
  | { is: 'open' }
  | { is: 'never' }
  | { is: 'sense'; yes: number }
  | { is: 'word'; word: string }

/** One way the machine may be: which faults, at which severity. Healthy is the member without faults. */
export interface Member {
  index: number
  present: readonly Present[]
  /** Prior weight, not normalised: occurrences per year, shared among severities. */
  weight: number
  /** Neighbours of the same fault on the severity scale, for the width of one severity node. */
  below: number | undefined
  above: number | undefined
}
