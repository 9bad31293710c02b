import type { Dimension, ReadingValue } from '../foundation/quantity'

/** A stretch of a lane, s since the program was started; `to` is the end of what is known where it has none of its own. */
export interface Span {
  from: number
  to: number
  title?: string
}

/** What can be noticed of a machine, against time. */
export interface Lane {
  /** `phase:ID`, `PART.signal` or `alarm:CODE`. */
  id: string
  title: string
  /** What it is noticed by; `undefined` where it is read off the whole. */
  sense: 'ear' | 'eye' | 'hand' | undefined
  spans: readonly Span[]
}

/** A quantity against time, SI. */
export interface Curve {
  id: string
  title: string
  dimension: Dimension
  points: readonly (readonly [seconds: number, si: number])[]
}

/** When something turns under a suspect, s; `undefined`: never. */
export interface SuspectTurn {
  title: string
  at: number | undefined
}

/** Something that begins or ends in a healthy run: what is waited for, and marked once it is noticed. */
export interface Cue {
  lane: string
  turn: 'on' | 'off'
  /** The how manieth of this lane and turn, from 0. */
  nth: number
  title: string
  /** s since the start: on the machine as its sheet has it, and the window of good machines (two and a half standard deviations). */
  at: number
  early: number
  late: number
  /**
   * The phase that began last before it, by its cue, and how long after that it comes: on the machine as its sheet has it, at the soonest and
   * at the latest, s. `undefined` for what comes with the start.
   */
  since: { lane: string; nth: number; at: number; early: number; late: number } | undefined
  suspects: readonly SuspectTurn[]
}

/** A test of the machine that marks answer. */
export type MarkedTest =
  /** How long a phase lasts: from where it begins to where the next begins. */
  | { type: 'length'; test: string; title: string; lane: string; longest: number }
  /** Whether something is there at a moment at which it is on in a good run: the cue that says so. */
  | { type: 'sensed'; test: string; title: string; lane: string; nth: number }
  /** For how long it is on: from a cue to the next turn of its lane. */
  | { type: 'on-time'; test: string; title: string; lane: string; nth: number; longest: number }

/** A live reading that can be taken in a run: while its phase lasts, at tips that sit there already. */
export interface CalledTest {
  test: string
  title: string
  dimension: Dimension
  /** The phase in which it is read, by its lane. */
  lane: string
  /** The instrument that it is read with, by its id. */
  instrument: string | undefined
  /** What a meter left at its points shows through a good run, SI. */
  shows: readonly MeterSpan[]
}

/** A stretch of a run in which a meter stands at one value, s since the start and SI; `Infinity` beyond its range. */
export interface MeterSpan {
  from: number
  to: number
  si: number
}

/** The run of a program as the sheet has it, with this water and this room. */
export interface ExpectedRun {
  program: string
  title: string
  /** How long it is watched at most, s. */
  lasts: number
  phases: readonly Lane[]
  /** Phases that an alarm leads to and no good machine comes to: the lanes that say that it has stopped. */
  stops: readonly { id: string; title: string }[]
  lanes: readonly Lane[]
  curves: readonly Curve[]
  /** By time. */
  cues: readonly Cue[]
  tests: readonly MarkedTest[]
  calls: readonly CalledTest[]
}

/** What somebody, an ear or a meter noticed. */
export interface Mark {
  event: string
  lane: string
  /** `not`: waited for, and it did not come. */
  turn: 'on' | 'off' | 'not'
  nth: number
  /** s since the program was started */
  seconds: number
  noticed: 'hand' | 'ear' | 'meter'
}

/** A run as far as it has come. */
export interface Course {
  marks: readonly Mark[]
  /** s since its start: now, or where it was ended. */
  now: number
  over: boolean
}

/** What a run says of a test. */
export interface RunFinding {
  test: string
  title: string
  text: string
  value: ReadingValue
  /**
   * It follows from the order alone: this phase came in its place, by its title. Whoever watched may have missed it, so it is entered by
   * itself, never with all others.
   */
  instead?: string
}

/** The lane of when nobody watched: the screen was off. */
export const AWAY = 'away'
