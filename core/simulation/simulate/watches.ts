import type { RunState } from './run-state'
import type { Watch, Watched } from './script'

/** Who flickers more often in one stretch is no longer followed from turn to turn. */
const MOST_TURNS = 100
/** What rounding leaves of a time that was aimed at, s. */
const SLACK = 1e-9

/** What is watched through stretches of a run: how long each was watched, and for how much of it the signal was on. */
export class Watches {
  readonly watched: (Watched | undefined)[]
  /** Whether each signal was on when last looked at; `undefined` outside its stretch. */
  private readonly on: (boolean | undefined)[]
  private readonly turns: number[]
  /** Begins and ends by the clock, s. */
  private readonly bounds: readonly number[]
  /** Indices of those that are timed. */
  private readonly timed: readonly number[]
  private time = 0

  constructor(
    private readonly watches: readonly Watch[],
    private readonly run: RunState,
  ) {
    this.watched = watches.map(() => undefined)
    this.on = watches.map(() => undefined)
    this.turns = watches.map(() => 0)
    this.bounds = watches.flatMap(({ through }) => (through.type === 'time' ? [through.from, through.to] : []))
    this.timed = watches.flatMap(({ timed, recorded }, k) => (timed || recorded ? [k] : []))
  }

  private isThere({ through }: Watch): boolean {
    const { point, phases } = this.run
    return through.type === 'phase'
      ? point.phase === through.phase && point.phaseSince === phases[through.phase].from
      : point.time >= through.from - SLACK && point.time < through.to - SLACK
  }
  /** To be called whenever the machine has come to rest at one instant, and before a phase is left. */
  visit(): void {
    const { point } = this.run
    const passed = point.time - this.time
    this.time = point.time
    for (let k = 0; k < this.watches.length; k++) {
      const { through, part, signal, recorded } = this.watches[k]
      const there = this.isThere(this.watches[k])
      const before = this.on[k]
      // A phase is left at an instant of its own; the end of some seconds is itself the last of them.
      if (!there && (before === undefined || through.type === 'phase')) {
        this.on[k] = undefined
        continue
      }
      const on = point.signal(part, signal) > 0.5
      const watched = (this.watched[k] ??= { seconds: 0, on: 0, ever: false, last: on })
      if (before !== undefined) {
        watched.seconds += passed
        if (before) watched.on += passed
      }
      if (before !== undefined && on !== before) this.turns[k]++
      if (recorded && (before === undefined || on !== before)) (watched.turns ??= []).push({ at: point.time, on })
      watched.ever ||= on
      watched.last = on
      this.on[k] = there ? on : undefined
    }
  }
  /** The next begin or end of a stretch by the clock, s. */
  next(): number {
    let limit = Infinity
    for (const at of this.bounds) if (at > this.run.point.time + SLACK) limit = Math.min(limit, at)
    return limit
  }
  /** What has turned since it was last looked at, of what is timed: checks, each to be asked again in another state. */
  turned(): (() => boolean)[] {
    return this.timed.flatMap((k) => {
      const { part, signal } = this.watches[k]
      const before = this.on[k]
      if (before === undefined || this.turns[k] > MOST_TURNS) return []
      const check = () => this.run.point.signal(part, signal) > 0.5 !== before
      return check() ? [check] : []
    })
  }
  /** Forgets what was seen: a program begins its phases anew. What is recorded goes on. */
  restart(): void {
    this.watches.forEach(({ recorded }, k) => {
      if (recorded) return
      this.watched[k] = undefined
      this.turns[k] = 0
      this.on[k] = undefined
    })
  }
  /** Whether every watch has come to its end. */
  get areOver(): boolean {
    return this.watched.every((watched, k) => watched !== undefined && this.on[k] === undefined)
  }
}
