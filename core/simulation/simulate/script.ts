import type { ModeSetting } from '../../model/machine'
import type { OperatingPoint } from './operating-point'

/** When to look at the running machine. */
export type Moment =
  /** Seconds after the first entry of a phase, while that phase still runs. */
  | {
      type: 'phase'
      phase: number
      after: number
      /** When it is waited for, s since the start of the script: how the machine stands then is kept if it never comes. */
      expected?: number
    }
  /** Seconds after the start of the script. */
  | { type: 'time'; at: number }

/** The stretch of a run through which something is watched: the first run of a phase, from its begin to its end, or some seconds. */
export type WatchStretch =
  | { type: 'phase'; phase: number }
  /** s since the start of the script */
  | { type: 'time'; from: number; to: number }

/** A signal of a part watched through a stretch of a run. */
export interface Watch {
  through: WatchStretch
  part: number
  signal: string
  /** How long it is on is asked for: when it turns is found as exactly as an event. */
  timed?: true
  /** Each turn of it is kept, found as exactly. */
  recorded?: true
}

/** A signal that goes on or off. */
export interface Turn {
  /** s since the start of the script */
  at: number
  on: boolean
}

/** What was seen of a watch. */
export interface Watched {
  /** How long the stretch lasted while it was watched, s. */
  seconds: number
  /** For how much of that the signal was on, s. */
  on: number
  /** Whether it was on at any instant, however short. */
  ever: boolean
  /** Whether it was on when it was last looked at. */
  last: boolean
  /** How it stood at first and each turn after, where that was asked for. */
  turns?: Turn[]
}

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
  /** Modes that the machine starts in, left so by an earlier run; all at rest when left out. */
  starts?: readonly ModeSetting[]
  steps: ScriptStep[]
  /** s */
  until: number
  /** The run may stop once a final phase has been entered and every moment of the script is past. */
  stopsWhenFinal: boolean
  moments: readonly Moment[]
  /** What is watched; nothing when left out. */
  watches?: readonly Watch[]
  /**
   * Indices of the moments that are of use: the run ends with the last of them and of the watches. All, and to the end, when
   * left out.
   */
  neededMoments?: readonly number[]
}

export type TimelineEvent =
  | { time: number; type: 'phase'; phase: number }
  | { time: number; type: 'mode'; mode: number; value: number }
  | { time: number; type: 'alarm' | 'cleared'; code: string }
  | { time: number; type: 'chatters'; modes: number[] }
  /** The flows of the water did not come to rest in the rounds they have: what follows is not to be relied on. */
  | { time: number; type: 'unsettled' }

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
  /** Where a moment never came: the operating point when it was waited for; `undefined` for the others. */
  standing: (OperatingPoint | undefined)[]
  /** What was seen of each watch of the script, `undefined` where its phase was never entered. */
  watched: (Watched | undefined)[]
  /** The code shown at each moment, `undefined` where none is. */
  displayedCodes: (string | undefined)[]
  end: OperatingPoint
  alarms: string[]
  /** For each complaint of the sheet, whether its condition holds at the end. */
  complaints: boolean[]
  phases: PhaseTimes[]
}
