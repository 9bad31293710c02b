import type { Machine } from '../../model/machine'
import type { Meter } from '../../simulation/instrument'
import type { Measurement } from '../../simulation/measurements'

/** What the sentences about a measurement are made from. */
export interface MeasurementFacts {
  machine: Machine
  /** The instrument in hand; `undefined` for senses. */
  meter: Meter | undefined
  /** When it is read, in words: "while Cold fill runs". */
  when: string
  /** Whether a program must run, or the machine must be off, at that moment. */
  atMoment: boolean
  inProgram: boolean
  /** Times that a switch is worked when nobody says otherwise. */
  timesWorked: number
}

/** The sentences about one type of measurement. */
export interface MeasurementWords<M extends Measurement> {
  /** What is taken, where: its name in lists. */
  name(m: M, facts: MeasurementFacts): string
  /** What the hands do, the verb first. */
  instruction(m: M, facts: MeasurementFacts): string
  /** What a column of them is, before the names of its rows. @param m of its first row */
  column?(m: M, facts: MeasurementFacts): string
}
