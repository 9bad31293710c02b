import type { Heard, SoundFrame, Taught } from './contract'
import { judge } from './teach'

/** It is on above this share of its rise, and off below that one. */
const ON = 0.6
const OFF = 0.4
/** What lasts for fewer looks is a knock: 0.17 s. */
const LASTS = 4

/** A stretch in which the device itself spoke or beeped, s: nothing is heard then. */
export interface Muted {
  from: number
  to: number
}

/**
 * Follows a taught sound from look to look. A turn is placed where the judgement first crossed half of its rise, and told once it has
 * lasted.
 */
export class Listener {
  on: boolean
  private crossed: number | undefined
  private lasted = 0
  private before: { at: number; height: number } | undefined

  constructor(
    private readonly taught: Taught,
    on = false,
  ) {
    this.on = on
  }

  /** @returns what turned, with when */
  push(frames: readonly SoundFrame[], muted: readonly Muted[] = []): Heard[] {
    const heard: Heard[] = []
    for (const frame of frames) {
      if (muted.some((m) => frame.at >= m.from && frame.at <= m.to)) {
        this.before = undefined
        this.crossed = undefined
        this.lasted = 0
        continue
      }
      const height = judge(this.taught, frame) / this.taught.rise
      const turned = this.on ? height < OFF : height > ON
      if (turned) {
        this.crossed ??= this.crossing(frame.at, height)
        if (++this.lasted >= LASTS) {
          this.on = !this.on
          heard.push({ turn: this.on ? 'on' : 'off', at: Math.max(0, this.crossed) })
          this.crossed = undefined
          this.lasted = 0
        }
      } else {
        this.crossed = undefined
        this.lasted = 0
      }
      this.before = { at: frame.at, height }
    }
    return heard
  }
  /** When the judgement went through half of its rise, between two looks. */
  private crossing(at: number, height: number): number {
    const { before } = this
    if (!before || before.height === height) return at
    const share = (0.5 - before.height) / (height - before.height)
    return before.at + Math.min(1, Math.max(0, share)) * (at - before.at)
  }
}
