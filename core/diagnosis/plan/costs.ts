import type { Machine } from '../../model/machine'
import { STANDARD, type Calibration } from '../calibration'

/** What repairs come to, and the expected cost of trying them. Holds places to work in: one for each engine. */
export class RepairCosts {
  /** Weight of each repair, and how many repairs each hypothesis still needs. */
  private readonly mass: Float64Array
  private open = new Uint8Array(0)

  /**
   * @param repair minutes of each repair, its part and the chance of a call-back counted in
   * @param wrongRepair minutes on top where it was not what was needed
   */
  constructor(
    readonly repair: Float64Array,
    readonly wrongRepair: Float64Array,
    private readonly calibration: Pick<Calibration['plan'], 'giveUp' | 'repairsUntil'> = STANDARD.plan,
  ) {
    this.mass = new Float64Array(repair.length)
  }

  /** The costs of a machine's repairs. */
  static of({ repairs }: Machine, c: Calibration['plan']): RepairCosts {
    const repair = Float64Array.from(
      repairs,
      (r) =>
        r.minutes +
        r.price * c.minutesPerMoney +
        c.prove +
        (1 - r.successProbability) * c.callBack +
        (r.licensed ? c.callOut : 0),
    )
    const wrongRepair = Float64Array.from(repairs, (r) => (r.price > 0 || r.licensed ? c.wrongPart : 0))
    return new RepairCosts(repair, wrongRepair, c)
  }

  /** Minutes that a repair comes to when it is not what is needed. */
  inVain(repair: number): number {
    return this.repair[repair] + this.wrongRepair[repair]
  }

  /**
   * Expected minutes until the machine works when repairs are tried without further tests, in the order of
   * probability over cost in vain; that order is optimal for causes that exclude each other (Smith's rule, 1956).
   *
   * @param required repairs that each hypothesis needs, all of them
   * @param p weight of each hypothesis; need not sum to one, the result scales with it
   * @param unknown weight of what no hypothesis explains
   */
  toGo(required: readonly (readonly number[])[], p: ArrayLike<number>, unknown: number): number {
    const { mass, repair, wrongRepair } = this
    const { giveUp, repairsUntil } = this.calibration
    const listed = this.fill(required, p)
    let left = listed
    let cost = 0
    const other = Math.max(0, unknown)
    // The best of what is left, one after another: few are ever taken.
    while (left >= repairsUntil * listed && left > 0) {
      const best = this.best()
      if (best < 0) break
      const lost = Math.min(other, left)
      cost += repair[best] * (left + lost) + wrongRepair[best] * (left - mass[best] + lost)
      mass[best] = 0
      // A machine with two faults works again after both repairs.
      for (let i = 0; i < required.length; i++)
        if (p[i] !== 0 && required[i].includes(best) && --this.open[i] === 0) left -= p[i]
    }
    return cost + (other + Math.max(0, left)) * giveUp
  }
  /** Weighs the repairs. @returns the weight of the hypotheses that some repair cures */
  private fill(required: readonly (readonly number[])[], p: ArrayLike<number>): number {
    if (this.open.length < required.length) this.open = new Uint8Array(required.length)
    this.mass.fill(0)
    let listed = 0
    for (let i = 0; i < required.length; i++) {
      if (!required[i].length || p[i] === 0) continue
      listed += p[i]
      this.open[i] = required[i].length
      for (const r of required[i]) this.mass[r] += p[i]
    }
    return listed
  }
  /** The repair of greatest weight over cost in vain; -1 when none has any. */
  private best(): number {
    const { mass } = this
    let best = -1
    for (let r = 0; r < mass.length; r++)
      if (mass[r] > 0 && (best < 0 || mass[r] * this.inVain(best) > mass[best] * this.inVain(r))) best = r
    return best
  }
}
