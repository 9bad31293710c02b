import type { AccessPaths } from './access-path'
import type { Intervention, Machine } from '../../model/machine'
import type { OperatingPoint, Script, Timeline, Watch } from '../../simulation/simulate'
import type { Procedure, RunPosition, Strip } from './procedure'

export type * from './procedure'

/** One script from which snapshots are taken; every procedure reads one of its moments. */
export interface Run {
  index: number
  /** Index of the program that is started. */
  program: number
  script: Script
  /** What hands do to the machine for this run: a jumper in, a bleed open. */
  interventions: readonly Intervention[]
}

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
  /** Has a signal watched through a stretch of a run. @returns index into what the run watches */
  addWatch(run: number, watch: Watch): number
}

/** All tests of a machine, with the runs they are taken in. */
export interface TestCatalogue extends HealthyRuns {
  procedures: readonly Procedure[]
  /** Columns of readings that can be taken in one go. */
  strips: readonly Strip[]
  accessPaths: AccessPaths
  /** Index of the run that the customer's own use of the machine is taken for. */
  customersRun: number
}
