import type { Trace } from './contract'

/** A trace of more is thinned no further: the oldest go, readings. */
const MOST = 200_000

/** What a linked meter has shown, s by the clock of whoever keeps it; grows at its end. */
export class LiveTrace {
  private seconds = new Float64Array(1024)
  private values = new Float64Array(1024)
  private count = 0

  get length(): number {
    return this.count
  }
  /** @param si `Infinity` beyond the range, NaN where the line was lost */
  push(at: number, si: number): void {
    // One that comes late never comes before the last.
    const time = Math.max(at, this.count ? this.seconds[this.count - 1]! : -Infinity)
    if (this.count === this.seconds.length) this.grow()
    this.seconds[this.count] = time
    this.values[this.count++] = si
  }
  private grow(): void {
    const drop = this.count >= MOST ? this.count >> 1 : 0
    const room = (from: Float64Array) => {
      const larger = new Float64Array(drop ? from.length : 2 * from.length)
      larger.set(from.subarray(drop, this.count))
      return larger
    }
    this.seconds = room(this.seconds)
    this.values = room(this.values)
    this.count -= drop
  }
  /** What was shown so far: views that the next reading may leave behind. */
  whole(name = ''): Trace {
    return {
      seconds: this.seconds.subarray(0, this.count),
      columns: [{ name, values: this.values.subarray(0, this.count) }],
    }
  }
}
