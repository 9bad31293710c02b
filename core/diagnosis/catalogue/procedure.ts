import type { WorkMode } from '../../evidence'
import type { ReadingShape } from '../../foundation/quantity'
import type { Measurement } from '../../simulation/measurements'

/** Where a machine stands in a run. */
export type RunPosition =
  | { type: 'phase'; phase: number }
  /** A moment of the sheet's own, with its title. */
  | { type: 'moment'; title: string }
  /**
   * With the supply on, before the program is started; after it has run out; switched off and proved dead; as the customer's
   * run of it left the machine.
   */
  | { type: 'start' | 'end' | 'off' | 'found'; program: number }

/** When a test is taken. */
export type Timing =
  | { type: 'any-time' }
  | { type: 'whole-phase'; phase: number }
  /** Watched for as long as the phase lasts. */
  | { type: 'through-phase'; phase: number }
  /** Watched from there on for some seconds. */
  | { type: 'from'; position: RunPosition; seconds: number }
  | { type: 'at'; position: RunPosition }

/** A test with everything needed to do it, time it and predict it. */
export interface Procedure {
  index: number
  /** Numbers alone, the same whatever the ids are called: orders readings and names what is kept of them. */
  key: string
  id: string
  measurement: Measurement
  run: number
  /** Index into the run's moments; unused for durations. */
  moment: number
  /** Index into what the run watches; `undefined` for what is read at its moment. */
  watch: number | undefined
  timing: Timing
  shape: ReadingShape
  /** Usual instrument; `undefined` for senses. */
  meter: string | undefined
  /** Instruments that may be used instead. */
  alternativeMeters: readonly string[]
  workMode: WorkMode
  needs: Needs
  /** Minutes of the reading itself, once everything it needs is so. */
  minutes: number
  caution: string | undefined
  /** What taking it ends: switching off, the codes, levels and voltages that the machine shows now. */
  destroys: 'live-state' | undefined
}

/** One thing that hands take off or put on for a reading. */
export interface Loosening {
  /** Two with one key are one thing. */
  key: string
  type: 'joint' | 'insert' | 'leads' | 'clips' | 'swap' | 'lifted' | 'held'
  part: number
  /** Mode that is held, and the value it is held at. */
  at?: readonly [mode: string, value: string]
  /** Minutes off and on again. */
  minutes: number
}

export interface Needs {
  power: 'on' | 'off' | 'any'
  /** Ids of panels that must be open. */
  panels: readonly string[]
  /** Program and second at which the moment comes on a healthy machine; `undefined` when no program must run. */
  arrival: { program: number; seconds: number } | undefined
  /** What must be off or put on by hands, with the power off; once it is, all that is done there costs only itself. */
  loosened: readonly Loosening[]
  /** Nothing may have been moved, switched or opened since the customer's run. */
  asFound: boolean
}

/**
 * Readings of one sort at one place as one test with one price: a terminal strip, the coils of one valve body, the points of a chain.
 * Each row is a reading of its own in the log; their pattern is read jointly.
 */
export interface Strip extends Pick<Procedure, 'id' | 'key' | 'workMode' | 'needs' | 'minutes'> {
  /** Two at least, in the order of the place. */
  rows: readonly Procedure[]
}
