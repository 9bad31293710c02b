import type { AccessPaths } from './access-path'
import type { WorkMode } from '../../evidence'
import type { ReadingShape } from '../../foundation/quantity'
import type { Intervention, Machine } from '../../model/machine'
import type { Measurement } from '../../simulation/measurements'
import type { OperatingPoint, Script, Timeline } from '../../simulation/simulate'

/** One script from which snapshots are taken; every procedure reads one of its moments. */
export interface Run {
  index: number
  /** Index of the program that is started. */
  program: number
  script: Script
  /** What hands do to the machine for this run: a jumper in, a bleed open. */
  interventions: readonly Intervention[]
}

/** Where a machine stands in a run. */
export type RunPosition =
  | { type: 'phase'; phase: number }
  /** A moment of the sheet's own, with its title. */
  | { type: 'moment'; title: string }
  /** With the supply on, before the program is started; after it has run out; switched off and proved dead. */
  | { type: 'start' | 'end' | 'off'; program: number }

/** A moment of a run at which something can be read. */
export interface ReadingMoment {
  /** Id of a phase or of a moment of the sheet; `start`, `end` and `off` for those that every run has. */
  id: string
  position: RunPosition
  run: number
  /** Index into the moments of the run. */
  moment: number
  /** Seconds since the start of the program on the healthy machine. */
  seconds: number
  point: OperatingPoint
  /** Nothing runs any more, or not yet. */
  final: boolean
}

/** When a test is taken. */
export type Timing =
  { type: 'any-time' } | { type: 'whole-phase'; phase: number } | { type: 'at'; position: RunPosition }

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

export interface Needs {
  power: 'on' | 'off' | 'any'
  /** Ids of panels that must be open. */
  panels: readonly string[]
  /** Program and second at which the moment comes on a healthy machine; `undefined` when no program must run. */
  arrival: { program: number; seconds: number } | undefined
}

/** Runs of the healthy machine and the moments in them that tests are placed at. */
export interface HealthyRuns {
  machine: Machine
  runs: Run[]
  /** The healthy machine through the plain run of each program. */
  healthy: Timeline[]
  /** In the order of programs, then of time. */
  readingMoments: ReadingMoment[]
  /** Adds a run of a program with something done by hand, as far as the moment that is asked for; moments as in its plain run. */
  addRun(program: number, interventions: readonly Intervention[], moment: number): number
}

/** All tests of a machine, with the runs they are taken in. */
export interface TestCatalogue extends HealthyRuns {
  procedures: readonly Procedure[]
  accessPaths: AccessPaths
}
