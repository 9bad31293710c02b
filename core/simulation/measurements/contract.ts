import type { ReadingShape } from '../../foundation/quantity'
import type { MeasurementFields, OfferedMeasurement, Sense } from '../../model/kinds'
import type { ActiveFault, Machine } from '../../model/machine'
import type { Indication, Meter } from '../instrument'
import type { OperatingPoint, Watched } from '../simulate'

/**
 * Fields of the measurements that a whole machine offers, by id, as `MeasurementFields` has them for parts. Each folder
 * here adds its own.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface MachineMeasurementFields {}

/** A measurement at its place in a machine: of a part (by index), or of the machine. */
export type Measurement =
  | { [Id in keyof MeasurementFields]: OfferedMeasurement<Id> & { part: number } }[keyof MeasurementFields]
  | {
      [Id in keyof MachineMeasurementFields]: { type: Id } & MachineMeasurementFields[Id]
    }[keyof MachineMeasurementFields]

export type MeasurementId = Measurement['type']
export type MeasurementOf<Id extends MeasurementId> = Measurement & { type: Id }

/** A terminal of a part, by the part's index. */
export interface Terminal {
  part: number
  terminal: string
}

/** What a measurement finds, before the errors of meters and senses. */
export type Observation =
  | { type: 'indication'; indication: Indication }
  /** A tester that says yes with this chance, 0 … 1. */
  | { type: 'tester'; probability: number }
  /** `plain`: so plain that hardly anybody is mistaken. */
  | { type: 'sense'; sense: Sense; plain: boolean; truth: boolean }
  | { type: 'word'; word: string }
  /** Works every time but for the misses of an intermittent fault, 0 … 1 each; or never. */
  | { type: 'operations'; works: boolean; missProbabilities: readonly number[] }
  /** The length of a phase in the run; its spread is the predictor's. */
  | { type: 'phase-length'; phase: number }
  /** For how long it was on, s; `endless`: it still was when it was last looked at. Its spread is the predictor's. */
  | { type: 'on-time'; seconds: number; endless: boolean }
  /** The machine never comes to where it is taken, or the instrument must not be put there. */
  | { type: 'never' }

/** What is there to be measured. */
export interface Scene {
  /** The machine at the moment of the test. */
  point: OperatingPoint
  /** Instrument used; `undefined` for senses. */
  meter: Meter | undefined
  activeFaults: readonly ActiveFault[]
  displayedCode: string | undefined
  /** What was seen of the test's signal through its phase; `undefined` for a reading at one moment. */
  watched: Watched | undefined
}

/** How a measurement is taken: facts for whoever lists, places and writes it. */
export interface MeasurementInterface<M extends Measurement> {
  /** How its reading is written. */
  shape(m: M, machine: Machine): ReadingShape
  /** The usual instrument where the healthy machine stands so; `undefined` for senses. */
  meter(m: M, machine: Machine, healthy: OperatingPoint): string | undefined
  /** Whether the part stands so that it can be taken at all; left out, it always does. */
  isPossible?(m: M, machine: Machine): boolean
  /** The same with what its words need to know of the machine. */
  completed?(m: M, machine: Machine): M
  /** Minutes of the reading itself, where a kind does not say. */
  minutes: number
  /** What hands open for it: terminals, water lines, or neither. */
  opens: 'terminals' | 'water' | 'nothing'
  /** Whether hands go to the part though nothing is opened. */
  touches?(m: M): boolean
  /** Whether the part's leads are taken off for it. */
  takesLeadsOff?(m: M): boolean
  /** Read at several points of one place in one go, it is a column. */
  inColumn?: true
  /** It reads a contact as it happens to stand. */
  contactAsItStands?: boolean
  /** Idle, it is taken before a program is started where that can be: no fault can keep a machine from coming to that. */
  idleBeforeStart?: boolean
  /** It shows the part by itself: what is wrong elsewhere does not reach it. */
  partAlone?(m: M): boolean
}

/** What a measurement shows. */
export interface MeasurementPrediction<M extends Measurement> {
  observe(m: M, scene: Scene): Observation
  /** Whether it can be taken though the machine never comes to the moment. */
  anywhere?: boolean
  /** How it reads a value that moves with the states (levels, temperatures), SI; `undefined` where it reads none such. */
  stateReading?(m: M, machine: Machine): ((point: OperatingPoint) => number) | undefined
}

export type MeasurementType<M extends Measurement = Measurement> = MeasurementInterface<M> & MeasurementPrediction<M>
