import type { Intervention } from '../../model/machine'
import { areDistinguishable, type Belief, type UnlistedCandidate } from '../belief'
import type { Procedure, WorkState } from '../catalogue'
import type { Hypothesis } from '../hypotheses'
import type { Predictor } from '../predict'
import type { RepairCosts } from './costs'

export interface Remedy {
  /** Index into the machine's repairs. */
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

/** What is not on the sheet, with the test that would tell it from the likeliest cause; `undefined` where none does. */
export interface NamedCandidate extends UnlistedCandidate {
  distinguishedBy: { procedure: Procedure; minutes: number } | undefined
}

export type PlanState = 'testing' | 'cause-stands' | 'quicker-done' | 'unexplained' | 'undecided'

export interface Conclusion {
  remedies: Remedy[]
  /**
   * Once the tests end: what the sheet does not list and would explain the evidence as well, though the likeliest repair
   * does not cure it.
   */
  unlistedCandidates: NamedCandidate[]
  /**
   * How it stands: tests to go; a cause that stands; none that does, but a likeliest one whose repair costs hardly a part and is sooner
   * done than told from the rest; readings that nothing listed explains; no cause clear enough.
   */
  state: PlanState
}

interface Situation {
  /** Repairs that each hypothesis still needs. */
  requiredRepairs: readonly (readonly number[])[]
  costs: RepairCosts
  stop: boolean
  /** Tests that may still be taken. */
  left: readonly Procedure[]
  workState: WorkState
  interventions: readonly Intervention[]
  unlistedCandidates: () => readonly UnlistedCandidate[]
}

/** What stands against doing a repair at once: faults that it leaves, and faults that would undo it. */
function behindRepair(predictor: Predictor, belief: Belief, repair: number): Pick<Remedy, 'unproven' | 'rootCauses'> {
  const { faults } = predictor.catalogue.machine
  const { unprovenAbove, remedyFrom } = predictor.calibration.plan
  const mass = new Float64Array(faults.length)
  belief.hypotheses.forEach((m, i) => {
    for (const { fault } of m.activeFaults) mass[fault.index] += belief.posterior[i]
  })
  const cured = faults.filter((f) => f.repair === repair && mass[f.index] > remedyFrom).map((f) => f.index)
  return {
    unproven: faults
      .filter((f) => f.repair !== repair && mass[f.index] > unprovenAbove)
      .sort((a, b) => mass[b.index] - mass[a.index])
      .map((f) => f.index),
    rootCauses: faults.filter((f) => f.causes.some((c) => cured.includes(c.fault))).map((f) => f.index),
  }
}

/** The test of fewest minutes that would tell two hypotheses apart. */
function distinguishingTest(
  predictor: Predictor,
  a: Hypothesis,
  b: Hypothesis,
  { left, workState, interventions }: Situation,
): NamedCandidate['distinguishedBy'] {
  const { accessPaths } = predictor.catalogue
  const shows = (m: Hypothesis, p: Procedure) => predictor.predictCoarse(m, p, interventions)
  return left
    .filter((p) => areDistinguishable(shows(a, p), shows(b, p), predictor.calibration.belief))
    .map((procedure) => ({ procedure, minutes: accessPaths.from(workState, procedure).minutes }))
    .sort((x, y) => x.minutes - y.minutes || x.procedure.index - y.procedure.index)
    .at(0)
}

/** Candidates that the sheet does not list and that the likeliest repair would not cure. */
function otherCandidates(
  predictor: Predictor,
  belief: Belief,
  likeliest: number,
  situation: Situation,
): NamedCandidate[] {
  const { posterior, hypotheses } = belief
  const { requiredRepairs, stop, unlistedCandidates } = situation
  const lead = hypotheses.reduce(
    (top, _, i) => (requiredRepairs[i].includes(likeliest) && (top < 0 || posterior[i] > posterior[top]) ? i : top),
    -1,
  )
  const { distinguishFrom } = predictor.calibration.plan
  return (stop && lead >= 0 ? unlistedCandidates() : [])
    .filter((b) => b.fault.repair !== likeliest)
    .map((b) => ({
      ...b,
      distinguishedBy:
        b.share < distinguishFrom
          ? undefined
          : distinguishingTest(predictor, hypotheses[lead], b.hypothesis, situation),
    }))
}

/** What the belief comes to when it is acted on: the repairs by probability over cost, and how the case stands. */
export function conclude(predictor: Predictor, belief: Belief, situation: Situation): Conclusion {
  const { requiredRepairs, costs, stop } = situation
  const { repairs } = predictor.catalogue.machine
  const { remedyFrom, standsAbove, quickerDone, smallPrice } = predictor.calibration.plan
  const mass = new Float64Array(repairs.length)
  requiredRepairs.forEach((n, i) => n.forEach((r) => (mass[r] += belief.posterior[i])))
  // What is needed whatever else there is comes before what is cheap to try.
  const standing = (r: number) => (mass[r] >= standsAbove ? 0 : 1)
  const remedies = [...mass.keys()]
    .filter((r) => mass[r] > remedyFrom)
    .sort((a, b) => standing(a) - standing(b) || mass[b] / costs.inVain(b) - mass[a] / costs.inVain(a) || a - b)
    .map((r): Remedy => ({
      repair: r,
      p: mass[r],
      minutes: repairs[r].minutes,
      price: repairs[r].price,
      ...behindRepair(predictor, belief, r),
    }))
  const best = Math.max(0, ...mass)
  const likeliest = mass.indexOf(best)
  const unlistedCandidates = otherCandidates(predictor, belief, likeliest, situation)
  // The cause must stand even if the sheet listed all that the kinds of its parts know.
  const beside = unlistedCandidates.reduce((sum, b) => sum + b.share, 0)
  const stateOf = (): PlanState => {
    if (!stop) return 'testing'
    if (best >= standsAbove * (1 + beside)) return 'cause-stands'
    if (belief.unknownFault > best) return 'unexplained'
    const { price, licensed } = repairs[likeliest]
    return best > quickerDone && price <= smallPrice && !licensed ? 'quicker-done' : 'undecided'
  }
  return { remedies, unlistedCandidates, state: stateOf() }
}
