import { normal, type Random } from '../../core/truth'

/** What the meter measures. */
export type MeterFunction = 'VOLT:AC' | 'VOLT' | 'RES' | 'CURR:AC'

/** Ranges of each function, SI, and the time that one reading takes, s. */
const FUNCTIONS: Record<MeterFunction, { ranges: readonly number[]; takes: number }> = {
  'VOLT:AC': { ranges: [0.1, 1, 10, 100, 750], takes: 0.1 },
  VOLT: { ranges: [0.1, 1, 10, 100, 1000], takes: 0.06 },
  RES: { ranges: [100, 1e3, 10e3, 100e3, 1e6, 10e6, 100e6], takes: 0.06 },
  'CURR:AC': { ranges: [1, 10], takes: 0.1 },
}
/** What instruments send for a value beyond the range. */
export const OVERLOAD = 9.9e37
/** It shows up to this share of its range. */
const OVER_RANGE = 1.2
/** By itself it takes the next lower range below this share of it. */
const UNDER_RANGE = 0.1
/** A change of range takes so long, s. */
const CHANGES = 0.25
/** Noise, one standard deviation: share of the reading and of the range. */
const NOISE = { reading: 2e-4, range: 5e-5 }
/** What its calibration is off at most, share of the reading. */
const OFF = 6e-4

/** A meter with its function and range. */
export class Instrument {
  measures: MeterFunction = 'VOLT'
  auto = true
  private place = 0
  private readonly gain: number

  constructor(
    private readonly next: Random,
    /** What stands between its tips, SI. */
    private readonly between: (measures: MeterFunction) => number,
  ) {
    this.gain = 1 + OFF * (2 * next() - 1)
    this.reset()
  }
  reset(): void {
    this.configure('VOLT')
  }
  private get own() {
    return FUNCTIONS[this.measures]
  }
  get range(): number {
    return this.own.ranges[this.place]!
  }
  configure(measures: MeterFunction): void {
    this.measures = measures
    this.auto = true
    this.place = FUNCTIONS[measures].ranges.length - 1
  }
  /** @returns whether it has a range for that value */
  fix(value: number): boolean {
    const place = this.own.ranges.findIndex((r) => value <= r)
    if (!(value >= 0) || place < 0) return false
    this.auto = false
    this.place = place
    return true
  }

  /** One reading and how long it took, s: a change of range comes before it. */
  read(): { value: number; takes: number } {
    const true_ = this.between(this.measures)
    const before = this.place
    if (this.auto) {
      const { ranges } = this.own
      while (Math.abs(true_) > OVER_RANGE * this.range && this.place < ranges.length - 1) this.place++
      while (this.place > 0 && Math.abs(true_) < UNDER_RANGE * this.range) this.place--
    }
    const takes = this.own.takes + CHANGES * Math.abs(this.place - before)
    const noise = (NOISE.reading * Math.abs(true_) + NOISE.range * this.range) * normal(this.next)
    const shown = true_ * this.gain + noise
    if (!(Math.abs(shown) <= OVER_RANGE * this.range)) return { value: shown < 0 ? -OVERLOAD : OVERLOAD, takes }
    return { value: this.measures === 'VOLT' ? shown : Math.abs(shown), takes }
  }
}
