import { areDistinguishable, type Belief, type UnlistedCandidate } from '../belief'
import type { Intervention, Machine } from '../../model/machine'
import type { Hypothesis, Predictor } from '../predict'
import { accessPath, type Procedure, type WorkState } from '../catalogue'
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
  rootCauses: number[]
}

/** Above this probability a fault is not proven absent. */
const UNPROVEN_ABOVE = 0.01

/** What is not on the sheet, with the test that would tell it from the likeliest cause; `undefined` where none does. */
export interface NamedCandidate extends UnlistedCandidate {
  distinguishedBy: { procedure: Procedure; minutes: number } | undefined
}

export type PlanState = 'testing' | 'cause-stands' | 'quicker-done' | 'unexplained' | 'undecided'

/** The cause stands when one repair cures it with at least this probability. */
export const STANDS_ABOVE = 0.95

/** Price up to which a part (a screen, a fuse) is not worth being sure of, money. */
const SMALL = 5
/** What is not on the sheet is told from the likeliest cause by a test when it weighs at least this much. */
const TOLD_FROM = 0.02

/** What stands against doing a repair at once: faults that it leaves, and faults that would undo it. */
function behindRepair(machine: Machine, belief: Belief, repair: number): Pick<Remedy, 'unproven' | 'rootCauses'> {
  const mass = new Float64Array(machine.faults.length)
  belief.hypotheses.forEach((m, i) => {
    for (const { fault } of m.activeFaults) mass[fault.index] += belief.posterior[i]
  })
  const cured = machine.faults.filter((f) => f.repair === repair && mass[f.index] > 0.001).map((f) => f.index)
  return {
    unproven: machine.faults
      .filter((f) => f.repair !== repair && mass[f.index] > UNPROVEN_ABOVE)
      .sort((a, b) => mass[b.index] - mass[a.index])
      .map((f) => f.index),
    rootCauses: machine.faults.filter((f) => f.causes.some((c) => cured.includes(c.fault))).map((f) => f.index),
  }
}

/** The test of fewest minutes that would tell two members apart. */
function telling(
  predictor: Predictor,
  a: Hypothesis,
  b: Hypothesis,
  left: readonly Procedure[],
  workState: WorkState,
  interventions: readonly Intervention[],
): NamedCandidate['distinguishedBy'] {
  const { machine } = predictor.catalogue
  return left
    .filter((p) =>
      areDistinguishable(predictor.predictCoarse(a, p, interventions), predictor.predictCoarse(b, p, interventions)),
    )
    .map((procedure) => ({ procedure, minutes: accessPath(machine, workState, procedure).minutes }))
    .sort((x, y) => x.minutes - y.minutes || x.procedure.index - y.procedure.index)
    .at(0)
}

interface Situation {
  /** Repairs that each member still needs. */
  requiredRepairs: readonly (readonly number[])[]
  costs: Costs
  stop: boolean
  /** Tests that may still be taken. */
  left: readonly Procedure[]
  workState: WorkState
  interventions: readonly Intervention[]
  unlistedCandidates: () => readonly UnlistedCandidate[]
}

/** What the belief comes to when it is acted on: the repairs by probability over cost, and how the case stands. */
export function conclude(
  predictor: Predictor,
  belief: Belief,
  {
    requiredRepairs: requiredRepairs,
    costs,
    stop,
    left,
    workState,
    interventions,
    unlistedCandidates: unlistedCandidates,
  }: Situation,
): { remedies: Remedy[]; unlistedCandidates: NamedCandidate[]; state: PlanState } {
  const { machine } = predictor.catalogue
  const mass = new Float64Array(machine.repairs.length)
  requiredRepairs.forEach((n, i) => n.forEach((r) => (mass[r] += belief.posterior[i])))
  const due = (r: number) => costs.repair[r] + costs.wrongRepair[r]
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
  const lead = belief.hypotheses.reduce(
    (top, _, i) =>
      requiredRepairs[i].includes(likeliest) && (top < 0 || belief.posterior[i] > belief.posterior[top]) ? i : top,
    -1,
  )
  const others = (stop && lead >= 0 ? unlistedCandidates() : [])
    .filter((b) => b.fault.repair !== likeliest)
    .map((b) => ({
      ...b,
      distinguishedBy:
        b.share < TOLD_FROM
          ? undefined
          : telling(predictor, belief.hypotheses[lead], b.hypothesis, left, workState, interventions),
    }))
  // The cause must stand even if the sheet listed all that the kinds of its parts know.
  const beside = others.reduce((sum, b) => sum + b.share, 0)
  const state: PlanState = !stop
    ? 'testing'
    : best >= STANDS_ABOVE * (1 + beside)
      ? 'cause-stands'
      : belief.unknownFault > best
        ? 'unexplained'
        : best > 0.5 && machine.repairs[likeliest].price <= SMALL
          ? 'quicker-done'
          : 'undecided'
  return { remedies, unlistedCandidates: others, state }
}
