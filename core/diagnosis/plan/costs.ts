import type { Machine } from '../../model/machine'

/** One unit of money weighs as much as one minute. */
const MINUTES_PER_MONEY = 1
/** Coming back because a repair did not hold, min. */
const CALL_BACK = 60
/** Proving a repair with a watched cycle, min. */
const PROVE = 8
/** A part fitted in vain: taken back, explained, written off; min. */
const IN_VAIN = 30
/** What it takes when the cause is none of those listed, min. */
const GIVE_UP = 90

/** Minutes that doing a repair comes to, its part and the chance of a call-back counted in. */
export const repairCost = (machine: Machine, repair: number): number => {
  const { minutes, price, successProbability: holds } = machine.repairs[repair]
  return minutes + price * MINUTES_PER_MONEY + PROVE + (1 - holds) * CALL_BACK
}

/** Minutes that a repair costs on top when it was not what was needed. */
export const wrongRepairCost = (machine: Machine, repair: number): number =>
  machine.repairs[repair].price > 0 ? IN_VAIN : 0

/** What repairs come to. */
export interface Costs {
  /** Minutes of each repair. */
  repair: Float64Array
  /** Minutes on top where it was in vain. */
  wrongRepair: Float64Array
}

export const costsOf = (machine: Machine): Costs => ({
  repair: Float64Array.from(machine.repairs, (_, r) => repairCost(machine, r)),
  wrongRepair: Float64Array.from(machine.repairs, (_, r) => wrongRepairCost(machine, r)),
})

/** Weight of each repair, and how many repairs each member still needs; places to work in. */
let mass = new Float64Array(0)
let open = new Uint8Array(0)

/**
 * Expected minutes until the machine works when repairs are tried without further tests, in the order of
 * probability over cost in vain; that order is optimal for causes that exclude each other (Smith's rule).
 *
 * @param needs repairs that each member needs, all of them
 * @param p weight of each member; need not sum to one, the result scales with it
 * @param rest weight of what no member explains
 */
export function costToGo(
  { repair, wrongRepair: wrongRepair }: Costs,
  requiredRepairs: readonly (readonly number[])[],
  p: ArrayLike<number>,
  rest: number,
): number {
  if (mass.length < repair.length) mass = new Float64Array(repair.length)
  if (open.length < requiredRepairs.length) open = new Uint8Array(requiredRepairs.length)
  mass.fill(0)
  let listed = 0
  for (let i = 0; i < requiredRepairs.length; i++) {
    if (!requiredRepairs[i].length || p[i] === 0) continue
    listed += p[i]
    open[i] = requiredRepairs[i].length
    for (const r of requiredRepairs[i]) mass[r] += p[i]
  }
  let left = listed
  let cost = 0
  const other = Math.max(0, rest)
  // The best of what is left, one after another: few are ever taken.
  while (left >= 0.01 * listed && left > 0) {
    let best = -1
    for (let r = 0; r < repair.length; r++)
      if (
        mass[r] > 0 &&
        (best < 0 || mass[r] * (repair[best] + wrongRepair[best]) > mass[best] * (repair[r] + wrongRepair[r]))
      )
        best = r
    if (best < 0) break
    const lost = Math.min(other, left)
    cost += repair[best] * (left + lost) + wrongRepair[best] * (left - mass[best] + lost)
    mass[best] = 0
    // A machine with two faults works again after both repairs.
    for (let i = 0; i < requiredRepairs.length; i++)
      if (p[i] !== 0 && requiredRepairs[i].includes(best) && --open[i] === 0) left -= p[i]
  }
  return cost + (other + Math.max(0, left)) * GIVE_UP
}
