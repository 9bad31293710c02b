import { bisectEvent } from './event-search'
import type { RunState } from './run-state'
import type { Settling } from './settling'
import type { Watches } from './watches'

/** Steps, s. */
const FIRST_STEP = 120
const LONGEST_STEP = 600
const SHORTEST_STEP = 1e-3

/**
 * Moves the continuous states of a run through time: adaptive Bogacki–Shampine 3(2) steps (1989), each ended at the
 * first instant at which a part or the control is unstable or what is timed turns.
 */
export class Integration {
  private stepSize = FIRST_STEP
  private readonly start: Float64Array
  private readonly end: Float64Array
  private readonly k1: Float64Array
  private readonly k2: Float64Array
  private readonly k3: Float64Array
  private readonly k4: Float64Array

  constructor(
    private readonly run: RunState,
    private readonly settling: Settling,
    private readonly watches: Watches,
  ) {
    const place = () => new Float64Array(run.states.length)
    ;[this.start, this.end, this.k1, this.k2, this.k3, this.k4] = [place(), place(), place(), place(), place(), place()]
  }

  /** What a step may not go past: each to be asked again in another state. */
  private checks(): (() => boolean)[] {
    return [...this.settling.unstable(), ...this.watches.turned()]
  }

  /** Moves at most to `limit` (s), stopping at the first unstable instant. */
  advance(limit: number): void {
    const { run, start, k1 } = this
    const { point } = run
    const from = point.time
    start.set(run.states)
    point.rates(k1)
    // Where nothing flows nothing will: rates follow the states alone between events.
    if (k1.every((rate) => rate === 0)) return this.wait(from, limit)
    let h = Math.min(this.stepSize, limit - from)
    for (;;) {
      const error = this.step(h)
      const scale = 0.9 * Math.cbrt(1 / error)
      if (error > 1 && h > SHORTEST_STEP) {
        h *= Math.max(0.2, scale)
        continue
      }
      this.stepSize = Math.max(SHORTEST_STEP, Math.min(LONGEST_STEP, h * Math.min(6, error > 0 ? scale : 6)))
      return this.endStep(from, h, h === limit - from ? limit : from + h)
    }
  }

  /** Time passes and no state moves. */
  private wait(from: number, limit: number): void {
    const { point } = this.run
    const moveTo = (share: number) => (point.time = from + share * (limit - from))
    point.time = limit
    const checks = this.checks()
    if (checks.length && bisectEvent(checks, limit - from, moveTo) === 1) moveTo(1)
  }

  /** Tries a step of `h` seconds. @returns its error as a share of what is allowed */
  private step(h: number): number {
    const { run, start, end, k1, k2, k3, k4 } = this
    const { states, point, faulted } = run
    const { stateTolerance } = faulted.machine
    const n = states.length
    for (let i = 0; i < n; i++) states[i] = start[i] + h * 0.5 * k1[i]
    point.statesChanged()
    point.rates(k2)
    for (let i = 0; i < n; i++) states[i] = start[i] + h * 0.75 * k2[i]
    point.statesChanged()
    point.rates(k3)
    for (let i = 0; i < n; i++) states[i] = end[i] = start[i] + (h * (2 * k1[i] + 3 * k2[i] + 4 * k3[i])) / 9
    point.statesChanged()
    point.rates(k4)
    let error = 0
    for (let i = 0; i < n; i++)
      error = Math.max(
        error,
        Math.abs(h * ((-5 / 72) * k1[i] + k2[i] / 12 + k3[i] / 9 - k4[i] / 8)) / stateTolerance[i],
      )
    return error
  }

  /** Ends a step at `to`, or at the first unstable instant in it. */
  private endStep(from: number, h: number, to: number): void {
    const { run, start, end, k1, k4 } = this
    const { states, point } = run
    point.time = to
    const checks = this.checks()
    if (!checks.length) return
    // Cubic Hermite between the ends of the step; exact where the rates are constant.
    const moveTo = (s: number) => {
      const a = s * s * (3 - 2 * s)
      const b = s * (1 - s) * (1 - s) * h
      const c = -s * s * (1 - s) * h
      for (let i = 0; i < states.length; i++) states[i] = start[i] + a * (end[i] - start[i]) + b * k1[i] + c * k4[i]
      point.statesChanged()
      point.time = from + s * h
    }
    if (bisectEvent(checks, h, moveTo) < 1) return
    states.set(end)
    point.statesChanged()
    point.time = to
  }
}
