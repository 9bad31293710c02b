/** How a logged trace is written. */
export interface TraceForm {
  delimiter: ',' | ';' | '\t'
  /** What stands before the fraction of a number. */
  decimal: '.' | ','
  /** Rows before the first with numbers: titles, what a logger says of itself. */
  skip: number
  /** Names of the columns, where a row before the numbers has as many. */
  names: readonly string[]
  /** Which column is the time, and how it is written; -1 where none is: rows are counted then. */
  timeColumn: number
  timeIs: 'seconds' | 'clock' | 'date' | 'rows'
}

/** What was logged: one time for all columns. Beyond the range of the meter is `Infinity`, nothing read is NaN. */
export interface Trace {
  /** s since the first row */
  seconds: Float64Array
  columns: readonly { name: string; values: Float64Array }[]
}

/** Why a trace is refused: facts, `words` makes the sentence. */
export interface TraceProblem {
  code: 'empty' | 'no-numbers' | 'broken-row' | 'time-back' | 'too-large' | 'too-long'
  /** Row of the file, from 1. */
  row?: number
  found?: string
}

/** A stretch in which something was on. */
export interface OnInterval {
  from: number
  to: number
  /** Mean of what was shown meanwhile. */
  mean: number
}
