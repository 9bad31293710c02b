import type { ActiveFault } from '../../model/machine'

/** A value of the machine that is taken to be off its nominal. */
export interface ParamShift {
  param: number
  /** SI */
  by: number
}

/** One way the machine may be: which faults, at which severity. Healthy is the hypothesis without faults. */
export interface Hypothesis {
  index: number
  activeFaults: readonly ActiveFault[]
  /** Values off their nominal: where tolerances decide which course the machine takes, each course is a hypothesis. */
  shifts: readonly ParamShift[]
  /** Prior weight, not normalised: occurrences per year, shared among severities. */
  priorWeight: number
  /**
   * For each fault with a severity, the hypotheses one node further on its scale: their difference is the width of
   * the node. Asked for only when a reading needs it, because a pair's neighbours must be run as well.
   */
  neighbours: (() => { below: Hypothesis | undefined; above: Hypothesis | undefined })[]
}
