import type { Trace, TraceForm, TraceProblem } from './contract'
import { cellNumber, cellTime } from './trace-form'

/** A trace of more rows is none that a phone can hold. */
const MOST_ROWS = 5_000_000
const FIRST_ROOM = 4096

/** Numbers that come one after another. */
class Growing {
  private room = new Float64Array(FIRST_ROOM)
  length = 0

  push(value: number): void {
    if (this.length === this.room.length) {
      const larger = new Float64Array(2 * this.room.length)
      larger.set(this.room)
      this.room = larger
    }
    this.room[this.length++] = value
  }
  get last(): number | undefined {
    return this.length ? this.room[this.length - 1] : undefined
  }
  whole(): Float64Array {
    return this.room.slice(0, this.length)
  }
}

/** Makes a trace of rows as they are read; a row that does not fit ends it, and nothing of it counts. */
export class TraceBuilder {
  private readonly time = new Growing()
  private readonly values: Growing[] = []
  private places: readonly number[] = []
  private width = 0
  private read = 0
  private begun: number | undefined
  /** What a clock gained by going past midnight, s. */
  private days = 0
  private before = -Infinity

  constructor(private readonly form: TraceForm) {}

  get rows(): number {
    return this.time.length
  }

  /** @returns what is wrong with the first row that does not fit */
  push(rows: readonly (readonly string[])[]): TraceProblem | undefined {
    const { skip } = this.form
    for (const row of rows) {
      this.read++
      if (this.read <= skip || (row.length === 1 && row[0]!.trim() === '')) continue
      const wrong = this.take(row)
      if (wrong) return { row: this.read, ...wrong }
    }
    return undefined
  }
  private take(row: readonly string[]): Omit<TraceProblem, 'row'> | undefined {
    const { form } = this
    if (!this.width) {
      this.width = row.length
      this.places = row.flatMap((_, c) => (c === form.timeColumn ? [] : [c]))
      for (const _ of this.places) this.values.push(new Growing())
    }
    if (row.length !== this.width) return { code: 'broken-row', found: row.join(form.delimiter).slice(0, 60) }
    if (this.time.length >= MOST_ROWS) return { code: 'too-long' }
    const wrong = this.takeTime(row)
    if (wrong) return wrong
    for (let i = 0; i < this.places.length; i++) {
      const cell = row[this.places[i]!]!
      const value = cellNumber(cell, form.decimal)
      if (value === undefined) return { code: 'broken-row', found: cell.slice(0, 60) }
      this.values[i]!.push(value)
    }
    return undefined
  }
  private takeTime(row: readonly string[]): Omit<TraceProblem, 'row'> | undefined {
    const { form } = this
    if (form.timeColumn < 0) {
      this.time.push(this.time.length)
      return undefined
    }
    const cell = row[form.timeColumn]!
    const at = cellTime(cell, form)
    if (at === undefined) return { code: 'broken-row', found: cell.slice(0, 60) }
    // A time of day begins anew at midnight.
    if (form.timeIs === 'clock' && at < this.before - 12 * 3600) this.days += 24 * 3600
    this.before = at
    this.begun ??= at
    const seconds = at + this.days - this.begun
    if (seconds < (this.time.last ?? 0)) return { code: 'time-back', found: cell.slice(0, 60) }
    this.time.push(seconds)
    return undefined
  }

  /** The whole trace; a column in which nothing was ever read is left out. */
  trace(): Trace | TraceProblem {
    const columns = this.values.flatMap((v, i) => {
      const values = v.whole()
      const name = this.form.names[this.places[i]!] ?? ''
      return values.some((x) => !Number.isNaN(x)) ? [{ name: name || `Column ${this.places[i]! + 1}`, values }] : []
    })
    return columns.length && this.rows ? { seconds: this.time.whole(), columns } : { code: 'no-numbers' }
  }
}
