import { dot, type SparseVector } from '../../foundation/linear'
import type { Sense } from '../../model/kinds'
import type { ActiveFault } from '../../model/machine'

/**
 * What one test is expected to give under one hypothesis member.
 * A value is Gaussian: `mean` plus shared parameters (`sensitivity`, by shared parameter, in standard
 * deviations) plus independent noise of standard deviation `noise`, of which `scatter` is new each time it is read and the
 * rest stands as it stood.
 */
export type Prediction =
  | { type: 'value'; mean: number; sensitivity: SparseVector; reproducibility: number; repeatability: number }
  | { type: 'open' }
  | { type: 'never' }
  /**
   * Chance of a yes. `by`: the sense, whose keenness all its answers in a visit share, with what it should say;
   * absent for testers.
   */
  | { type: 'sense'; yes: number; sense?: Sense; truth?: boolean }
  | { type: 'word'; word: string }
  /** Share of times that it does what it should. */
  | { type: 'times'; clean: number }

/** Variance of a predicted value, shared parameters and noise together. */
export const varianceOf = (p: Prediction & { type: 'value' }): number =>
  dot(p.sensitivity, p.sensitivity) + p.reproducibility * p.reproducibility

/** A value of the machine that is taken to be off its nominal. */
export interface ParamShift {
  param: number
  /** SI */
  by: number
}

/** One way the machine may be: which faults, at which severity. Healthy is the member without faults. */
export interface Hypothesis {
  index: number
  activeFaults: readonly ActiveFault[]
  /** Values off their nominal: where tolerances decide which course the machine takes, each course is a member. */
  shifts: readonly ParamShift[]
  /** Prior weight, not normalised: occurrences per year, shared among severities. */
  priorWeight: number
  /**
   * For each fault with a severity, the members one node further on its scale: their difference is the width of
   * the node. Asked for only when a reading needs it, because a pair's neighbours must be run as well.
   */
  neighbours: (() => { below: Hypothesis | undefined; above: Hypothesis | undefined })[]
}
