import { dot, type SparseVector } from '../../foundation/linear'
import type { Sense } from '../../model/kinds'
import type { ModeSetting } from '../../model/machine'
import type { PhaseTimes, Timeline } from '../../simulation/simulate'

/**
 * What one test is expected to give under one hypothesis. Never changed once handed out.
 * A value is Gaussian: `mean` plus shared parameters (`sensitivity`, by shared parameter, in standard deviations) plus an
 * independent error of standard deviation `reproducibility`, of which `repeatability` is new each time it is read and the
 * rest is the same whenever the same thing is read in the same way. SI.
 */
export type Prediction =
  | {
      readonly type: 'value'
      readonly mean: number
      readonly sensitivity: SparseVector
      readonly reproducibility: number
      readonly repeatability: number
    }
  | { readonly type: 'open' }
  /** The machine never comes to it. `instead`: what is shown where it stands by then, by whoever reads all the same. */
  | { readonly type: 'never'; readonly instead?: Prediction }
  /** A phase that begins and does not end as long as anybody waits, s. */
  | { readonly type: 'never-ended'; readonly seconds: number }
  /**
   * Chance of a yes. `sense`: whose keenness all its answers in a visit share, with what it should say; absent for
   * testers.
   */
  | { readonly type: 'sense'; readonly yes: number; readonly sense?: Sense; readonly truth?: boolean }
  | { readonly type: 'word'; readonly word: string }
  /** Share of times that it does what it should. */
  | { readonly type: 'times'; readonly clean: number }

export type ValuePrediction = Prediction & { type: 'value' }

/** Variance of a predicted value, shared parameters and independent error together. */
export const varianceOf = (p: ValuePrediction): number =>
  dot(p.sensitivity, p.sensitivity) + p.reproducibility * p.reproducibility

/** What readings can be made of a run, and what it leaves tripped or blown. */
export interface RunRecord extends Pick<
  Timeline,
  'snapshots' | 'standing' | 'watched' | 'displayedCodes' | 'complaints' | 'phases'
> {
  left: readonly ModeSetting[]
}

/** When a run comes to what, all from its beginning, s: what the minutes of a test hang on. */
export interface Course {
  /** NaN where a phase was not entered, or not left. */
  phases: readonly PhaseTimes[]
  /** When each moment of the script came; `undefined` where it never did. */
  arrivals: readonly (number | undefined)[]
  /** For how long what each watch of the script is about was on; `undefined` where its phase was never entered. */
  on: readonly (number | undefined)[]
}
