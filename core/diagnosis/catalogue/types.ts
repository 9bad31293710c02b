import type { WorkMode } from '../../evidence'
import type { MeasurementSpec, Sense } from '../../model/kinds'
import type { Intervention } from '../../model/machine'
import type { ReadingShape } from '../../foundation/quantity'
import type { Script } from '../../simulation/simulate'

/** One script from which snapshots are taken; every procedure reads one of its moments. */
export interface Run {
  index: number
  /** Index of the program that is started. */
  program: number
  script: Script
  /** What hands do to the machine for this run: a jumper in, a bleed open. */
  interventions: readonly Intervention[]
}

export type Measurement =
  | { type: 'probe'; part: number; probe: MeasurementSpec }
  /** A free probe: volts or ohms between two points, the network as it stands. */
  | { type: 'between'; a: Terminal; b: Terminal }
  /** A special test of the sheet: a signal watched by a sense. */
  | { type: 'watch'; part: number; signal: string; sense: Sense }
  /** How long a phase lasts. */
  | { type: 'duration'; phase: number }
  /** Which code the machine shows at the end of the run. */
  | { type: 'code' }

/** A terminal of a part. */
export interface Terminal {
  part: number
  terminal: string
}

/** A test with everything needed to do it, time it and predict it. */
export interface Procedure {
  index: number
  /** Numbers alone, the same whatever the ids are called: orders readings and names what is kept of them. */
  key: string
  id: string
  /** Short name, as it stands in lists. */
  title: string
  measurement: Measurement
  run: number
  /** Index into the run's moments; unused for duration and code. */
  moment: number
  /** Where the machine stands when the reading is taken, in words: "while Cold fill runs". */
  when: string
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
  /** Readings that taking this one destroys, in words. */
  destroys: string | undefined
}

export interface Needs {
  power: 'on' | 'off' | 'any'
  panels: readonly string[]
  /** Program and second at which the moment comes on a healthy machine; `undefined` when no program must run. */
  arrival: { program: number; seconds: number } | undefined
}
