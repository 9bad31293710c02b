import type { ModeSetting } from '../../model/machine'
import type { OperatingPoint } from './operating-point'

/** When to look at the running machine. */
export type Moment =
  /** Seconds after the first entry of a phase, while that phase still runs. */
  | { type: 'phase'; phase: number; after: number }
  /** Seconds after the start of the script. */
  | { type: 'time'; at: number }

/** What hands do at one time: hold modes, let modes go, start a program. */
export interface ScriptStep {
  /** s */
  at: number
  hold?: ModeSetting[]
  free?: number[]
  /** Index of the program that is started. */
  start?: number
}

/** What happens to the machine from outside, by time. */
export interface Script {
  steps: ScriptStep[]
  /** s */
  until: number
  /** The run may stop once a final phase has been entered and every moment of the script is past. */
  stopsWhenFinal: boolean
  moments: readonly Moment[]
  /** Indices of the moments that are of use: the run ends with the last of them. All, and to the end, when left out. */
  neededMoments?: readonly number[]
}

export type TimelineEvent =
  | { time: number; type: 'phase'; phase: number }
  | { time: number; type: 'mode'; mode: number; value: number }
  | { time: number; type: 'alarm' | 'cleared'; code: string }
  | { time: number; type: 'chatters'; modes: number[] }

/** First entry and following exit of a phase, s; NaN where it did not happen. */
export interface PhaseTimes {
  from: number
  to: number
}

/** One run from start to end. */
export interface Timeline {
  events: TimelineEvent[]
  /** Continuous states at each event. */
  samples: { time: number; states: Float64Array }[]
  /** The operating point at each moment of the script, `undefined` where it was never reached. */
  snapshots: (OperatingPoint | undefined)[]
  /** The code shown at each moment, `undefined` where none is. */
  displayedCodes: (string | undefined)[]
  end: OperatingPoint
  alarms: string[]
  /** For each complaint of the sheet, whether its condition holds at the end. */
  complaints: boolean[]
  phases: PhaseTimes[]
}
