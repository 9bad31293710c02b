import { toldApart, type Belief, type Beside } from '../diagnose'
import type { Intervention, Machine } from '../model/machine'
import type { Member, Predictor } from '../predict'
import { minutesTo, type Procedure, type Standing } from '../procedure'
import type { Costs } from './costs'

export interface Remedy {
  /** Index into the sheet's repairs. */
  repair: number
  /** Probability that the cause is one this repair cures. */
  p: number
  minutes: number
  price: number
  /** Faults (indices) that it would leave and that are not proven absent: a part is condemned only when this is empty. */
  unproven: number[]
  /** Faults (indices) that may have brought about what it cures, and would again: to be looked for before it is fitted. */
  killers: number[]
}

/** Above this probability a fault is not proven absent. */
const UNPROVEN_ABOVE = 0.01

/** What is not on the sheet, with the test that would tell it from the likeliest cause; `undefined` where none does. */
export interface Unlisted extends Beside {
  tells: { procedure: Procedure; minutes: number } | undefined
}

export type PlanState = 'testing' | 'cause-stands' | 'quicker-done' | 'unexplained' | 'undecided'

/** The cause stands when one repair cures it with at least this probability. */
export const STANDS_ABOVE = 0.95

/** Price up to which a part (a screen, a fuse) is not worth being sure of, money. */
const SMALL = 5
/** What is not on the sheet is told from the likeliest cause by a test when it weighs at least this much. */
const TOLD_FROM = 0.02

/** What stands against doing a repair at once: faults that it leaves, and faults that would undo it. */
function behindRepair(machine: Machine, belief: Belief, repair: number): Pick<Remedy, 'unproven' | 'killers'> {
  const mass = new Float64Array(machine.faults.length)
  belief.members.forEach((m, i) => {
    for (const { fault } of m.activeFaults) mass[fault.index] += belief.p[i]
  })
  const cured = machine.faults.filter((f) => f.repair === repair && mass[f.index] > 0.001).map((f) => f.index)
  return {
    unproven: machine.faults
      .filter((f) => f.repair !== repair && mass[f.index] > UNPROVEN_ABOVE)
      .sort((a, b) => mass[b.index] - mass[a.index])
      .map((f) => f.index),
    killers: machine.faults.filter((f) => f.causes.some((c) => cured.includes(c.fault))).map((f) => f.index),
  }
}

/** The test of fewest minutes that would tell two members apart. */
function telling(
  predictor: Predictor,
  a: Member,
  b: Member,
  left: readonly Procedure[],
  standing: Standing,
  interventions: readonly Intervention[],
): Unlisted['tells'] {
  const { machine } = predictor.bench
  return left
    .filter((p) => toldApart(predictor.screen(a, p, interventions), predictor.screen(b, p, interventions)))
    .map((procedure) => ({ procedure, minutes: minutesTo(machine, standing, procedure).minutes }))
    .sort((x, y) => x.minutes - y.minutes || x.procedure.index - y.procedure.index)
    .at(0)
}

interface Facts {
  /** Repairs that each member still needs. */
  needs: readonly (readonly number[])[]
  costs: Costs
  stop: boolean
  /** Tests that may still be taken. */
  left: readonly Procedure[]
  standing: Standing
  interventions: readonly Intervention[]
  besides: () => readonly Beside[]
}

/** What the belief comes to when it is acted on: the repairs by probability over cost, and how the case stands. */
export function conclude(
  predictor: Predictor,
  belief: Belief,
  { needs, costs, stop, left, standing, interventions, besides }: Facts,
): { remedies: Remedy[]; besides: Unlisted[]; state: PlanState } {
  const { machine } = predictor.bench
  const mass = new Float64Array(machine.repairs.length)
  needs.forEach((n, i) => n.forEach((r) => (mass[r] += belief.p[i])))
  const due = (r: number) => costs.repair[r] + costs.vain[r]
  const remedies: Remedy[] = [...mass.keys()]
    .filter((r) => mass[r] > 0.001)
    .sort((a, b) => mass[b] / due(b) - mass[a] / due(a) || a - b)
    .map((r) => ({
      repair: r,
      p: mass[r],
      minutes: machine.repairs[r].minutes,
      price: machine.repairs[r].price,
      ...behindRepair(machine, belief, r),
    }))
  const best = Math.max(0, ...mass)
  const likeliest = mass.indexOf(best)
  const lead = belief.members.reduce(
    (top, _, i) => (needs[i].includes(likeliest) && (top < 0 || belief.p[i] > belief.p[top]) ? i : top),
    -1,
  )
  const others = (stop && lead >= 0 ? besides() : [])
    .filter((b) => b.fault.repair !== likeliest)
    .map((b) => ({
      ...b,
      tells:
        b.share < TOLD_FROM
          ? undefined
          : telling(predictor, belief.members[lead], b.member, left, standing, interventions),
    }))
  // The cause must stand even if the sheet listed all that the kinds of its parts know.
  const beside = others.reduce((sum, b) => sum + b.share, 0)
  const state: PlanState = !stop
    ? 'testing'
    : best >= STANDS_ABOVE * (1 + beside)
      ? 'cause-stands'
      : belief.unexplained > best
        ? 'unexplained'
        : best > 0.5 && machine.repairs[likeliest].price <= SMALL
          ? 'quicker-done'
          : 'undecided'
  return { remedies, besides: others, state }
}
