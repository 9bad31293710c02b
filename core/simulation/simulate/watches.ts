import type { RunState } from './run-state'
import type { Watch, Watched } from './script'

/** What is watched through whole phases of a run: how long each phase was watched, and for how much of it the signal was on. */
export class Watches {
  readonly watched: (Watched | undefined)[]
  /** Whether each signal was on when last looked at; `undefined` outside its phase. */
  private readonly on: (boolean | undefined)[]
  private last = 0

  constructor(
    private readonly watches: readonly Watch[],
    private readonly run: RunState,
  ) {
    this.watched = watches.map(() => undefined)
    this.on = watches.map(() => undefined)
  }

  /** To be called whenever the machine has come to rest at one instant, and before a phase is left. */
  visit(): void {
    const { point, phases } = this.run
    const passed = point.time - this.last
    this.last = point.time
    for (let k = 0; k < this.watches.length; k++) {
      const { phase, part, signal } = this.watches[k]
      const there = point.phase === phase && point.phaseSince === phases[phase].from
      if (!there) {
        this.on[k] = undefined
        continue
      }
      const on = point.signal(part, signal) > 0.5
      const watched = (this.watched[k] ??= { seconds: 0, on: 0, ever: false })
      const before = this.on[k]
      if (before !== undefined) {
        watched.seconds += passed
        if (before) watched.on += passed
      }
      watched.ever ||= on
      this.on[k] = on
    }
  }
  /** Forgets what was seen: a program begins its phases anew. */
  restart(): void {
    this.watched.fill(undefined)
    this.on.fill(undefined)
  }
  /** Whether every watch has come to its end. */
  get areOver(): boolean {
    return this.watched.every((watched, k) => watched !== undefined && this.on[k] === undefined)
  }
}
