import type { ReadingValue } from '../foundation/quantity'
import { findMeter, SENSES } from '../simulation/instrument'
import type { Watched } from '../simulation/simulate'
import { ohmsOf } from './plain-instruments'
import type { PlainPoint } from './plain-point'
import { flat, normal, type Random } from './random'

/** Spread of a hand on a stopwatch, s. */
const REACTION = 0.4
/** Chance that somebody is mistaken about what is plain to see. */
const PLAINLY_MISTAKEN = 0.01
/** What is there for so long is never missed for being short, s. */
const LONG_ENOUGH = 2
/** A gap shorter than this is a step of the simulator, s. */
const NO_GAP = 0.11
/** A lead hangs on nothing from here on, Ω, and catches up to so many volts on a meter of high resistance, twice what it shows. */
const FLOATING = 1e5
const CAUGHT = 18

/** Whoever reads on a visit: meters with errors of their own, eyes and ears that may be dull, a thumb on the stop-watch. */
export class DrawnHand {
  private readonly gains = new Map<string, number>()
  private readonly dull = new Map<string, number>()
  private readonly zeros = new Map<string, number>()
  /** A perfect instrument in a perfect hand. */
  steady = false

  constructor(private readonly next: Random) {}

  /** Whether somebody who watches through a stretch is there to see what is short: the shorter, the less. */
  notices({ seconds, on, ever }: Watched): boolean {
    if (!ever || on > LONG_ENOUGH || on >= seconds / 2) return ever
    return !this.steady && this.next() < on / LONG_ENOUGH
  }
  /** Whether somebody who watches through a stretch finds no gap: a short one is overlooked as easily as a short sign. */
  missesNothing(watched: Watched): boolean {
    const { seconds, on, last, ever } = watched
    const gap = { seconds, on: seconds - on, ever: !last || seconds - on > NO_GAP, last: !last }
    return ever && !this.notices(gap)
  }

  senses(there: boolean, sense: keyof typeof SENSES, plain?: true): ReadingValue {
    if (this.steady) return { type: there ? 'yes' : 'no' }
    if (plain) return { type: there === this.next() > PLAINLY_MISTAKEN ? 'yes' : 'no' }
    const { falseYes, falseNo } = SENSES[sense]
    // Whoever hears badly hears everything badly.
    let dull = this.dull.get(sense)
    if (dull === undefined) this.dull.set(sense, (dull = 0.3 + 1.4 * this.next()))
    return {
      type: there ? (this.next() < dull * falseNo ? 'no' : 'yes') : this.next() < dull * falseYes ? 'yes' : 'no',
    }
  }
  /** What a lead that hangs on nothing catches from its neighbours, V; a meter's own zero, the same all day. */
  pickedUp(point: PlainPoint, a: number, b: number, id: string): number {
    const { inputResistance: input = 10e6, coupling, zero = 0 } = findMeter(id)!
    if (this.steady) return 0
    let own = this.zeros.get(id)
    if (own === undefined) this.zeros.set(id, (own = zero * Math.abs(normal(this.next))))
    if (coupling === 'dc') return own
    const ohms = ohmsOf(point, a, b, undefined)
    const over = ohms === Infinity ? input : (ohms * input) / (ohms + input)
    return own + (over > FLOATING ? CAUGHT * (over / (over + input)) * this.next() : 0)
  }
  /** One instrument has one gain for the whole visit. */
  reads(id: string, truth: number): ReadingValue {
    const { gain, resolution, dimension } = findMeter(id)!
    if (this.steady) return { type: 'value', si: truth }
    let own = this.gains.get(id)
    if (own === undefined) this.gains.set(id, (own = 1 + gain * flat(this.next)))
    const si = truth * own + resolution * normal(this.next)
    return { type: 'value', si: dimension === 'temperature' ? si : Math.max(0, si) }
  }
  /** A stop-watch on what lasted so many seconds. */
  times(seconds: number): ReadingValue {
    return this.reads('stopwatch', seconds + (this.steady ? 0 : REACTION * normal(this.next)))
  }
}
