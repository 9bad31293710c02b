import type { MeterReads } from './scpi'

/** It has settled once so many readings through so long lie together, s. */
const READINGS = 4
const LASTS = 0.8
/** So close they lie: share of the value, and never closer than this, SI. */
const TOGETHER = 0.01
const LEAST: Record<MeterReads, number> = { 'volts-ac': 0.1, 'volts-dc': 0.05, ohms: 0.3, 'amps-ac': 0.02 }
/** Only what then moves by so many times that settles anew. */
const ANEW = 4

/** Finds where a live value comes to rest. */
export class Settling {
  private held: { at: number; si: number }[] = []
  private last: number | undefined

  constructor(private readonly reads: MeterReads) {}

  private band(si: number): number {
    return Math.max(LEAST[this.reads], TOGETHER * Math.abs(si))
  }
  /** @returns the value at which it has just come to rest, SI; `undefined` while it moves, and while it stays where it was */
  push(at: number, si: number): number | undefined {
    if (!Number.isFinite(si)) {
      this.held = []
      return undefined
    }
    const near = (h: { si: number }) => Math.abs(h.si - si) <= this.band(si)
    this.held = this.held.every(near) ? [...this.held, { at, si }] : [{ at, si }]
    if (this.last !== undefined && Math.abs(si - this.last) > ANEW * this.band(this.last)) this.last = undefined
    const [first] = this.held
    if (this.last !== undefined || this.held.length < READINGS || at - first!.at < LASTS) return undefined
    return (this.last = this.held.reduce((sum, h) => sum + h.si, 0) / this.held.length)
  }
}
