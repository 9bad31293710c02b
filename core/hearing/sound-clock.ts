import type { Heard } from './contract'

/** A page that is busy gets its samples late, but seldom for longer than this, s. */
const BUSY = 5
/** Clocks of sound run slower or faster than those of pages by no more than this share and this jump, s: beyond it, samples were lost. */
const DRIFT = 0.05
const JUMP = 0.3

/**
 * Ties the clock of the samples to that of a page. How long a stretch lasted is told by its samples alone, whatever the page was busy with;
 * only where it stood is told by the page.
 */
export class SoundClock {
  private arrivals: { heard: number; origin: number }[] = []
  private begun: { at: number; origin: number } | undefined

  /**
   * @param heard sound so far, s
   * @param now the page's clock when its last sample arrived, s
   */
  push(heard: number, now: number): void {
    this.arrivals.push({ heard, origin: now - heard })
    const kept = this.arrivals.findIndex((a) => a.heard > heard - BUSY)
    if (kept > 0) this.arrivals.splice(0, kept)
  }

  /** When, by the page's clock, it began or ended at this place of the sound, s. */
  place({ turn, at }: Heard): number {
    let origin = Math.min(...this.arrivals.map((a) => a.origin))
    const { begun } = this
    this.begun = turn === 'on' ? { at, origin } : undefined
    if (begun && turn === 'off' && Math.abs(origin - begun.origin) <= JUMP + DRIFT * (at - begun.at))
      origin = begun.origin
    return origin + at
  }
}
