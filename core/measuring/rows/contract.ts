import type { Accuracy } from '../contract'
import type { Dimension } from '../../foundation/quantity'

/** One row as it was read: a name, and a number in SI, `Infinity` where the meter was over its range; absent where not read. */
export interface ReadRow {
  name: string
  value: number | undefined
}

/** What a column of readings says, with the rows that it says it of (by place). Facts: `words` makes the sentences. */
export interface Finding {
  code: string
  rows: readonly number[]
  /** How plainly it stands: plain, likely, or no more than a hint. */
  certainty: 'plain' | 'likely' | 'hint'
}

/** Readings of one sort, one after another, read together. */
export interface RowTool {
  id: string
  dimension: Dimension
  /** What the instrument that usually takes them is uncertain by. */
  accuracy: Accuracy
  /** A number beside the rows, as the volts of the supply. */
  reference?: { id: string; dimension: Dimension }
  /** What a new row is called, with its number behind it. */
  row: string
  findings(rows: readonly ReadRow[], reference: number | undefined): readonly Finding[]
}
