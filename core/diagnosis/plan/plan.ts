import type { TestStrategy, WorkMode } from '../../evidence'
import type { Intervention } from '../../model/machine'
import type { Belief, UnlistedCandidate } from '../belief'
import type { Procedure, WorkState } from '../catalogue'
import type { Predictor } from '../predict'
import { arrivalTime } from './arrival-time'
import { atHand } from './at-hand'
import { conclude, type Conclusion } from './conclude'
import { owedLook } from './direct-look'
import { goalOf, isLive, LEAST_MINUTES, leftOf, Planning, single, type Suggestion } from './planning'
import { comesFirst } from './strategy'

export interface Plan extends Conclusion {
  next: Suggestion[]
  /** Expected minutes (with parts) from here when no further test is taken. */
  costNow: number
  /** True when no test is worth its minutes any more. */
  stop: boolean
}

export interface PlanOptions {
  strategy?: TestStrategy
  /** Work that whoever asks may not do. */
  barred?: readonly WorkMode[]
  /** Ids of instruments that are not at hand. */
  lacking?: readonly string[]
  /** Ids of tests not to be offered again in the present state. */
  taken?: ReadonlySet<string>
  /** Ids of tests read at least once in the present state. */
  read?: ReadonlySet<string>
  /** What hands have left in the machine. */
  interventions?: readonly Intervention[]
  /**
   * Runs that have been found stopped in the present state, with where (see `arrivalTime`): what would come then or later does
   * not come.
   */
  stoppedRuns?: ReadonlyMap<number, number>
  /** Whether to look further than one step. */
  refine?: boolean
  /** What the sheet does not list and would explain the evidence; asked for when the tests end. */
  unlistedCandidates?: () => readonly UnlistedCandidate[]
}

/**
 * What to do next: every test that can tell something, and the repairs by probability over cost.
 *
 * The saving of a test is the fall of the expected cost to the right repair, averaged over its outcomes; refined, the
 * tests that would follow are counted in.
 *
 * @param workState how machine and technician stand, for the minutes of each test
 */
export function plan(predictor: Predictor, belief: Belief, workState: WorkState, options: PlanOptions = {}): Plan {
  const { strategy = 'best', barred = [], lacking = [], taken = new Set(), read = taken, interventions = [] } = options
  const { stoppedRuns = new Map<number, number>(), refine = true, unlistedCandidates = () => [] } = options
  const { runs, strips } = predictor.catalogue
  const procedures = atHand(predictor.catalogue.procedures, lacking).filter((p) => !barred.includes(p.workMode))
  const { minSavingRatio } = predictor.calibration.plan
  const planning = new Planning(predictor, belief, workState, interventions)
  const past = (p: Procedure) => arrivalTime(predictor, p) >= (stoppedRuns.get(p.run) ?? Infinity)
  // Something done by hand makes another run under every suspect: a quick answer does without, as long as it can.
  const byHand = (p: Procedure) => runs[p.run].interventions.length > 0
  const isLeft = (p: Procedure) => !taken.has(p.id) && !past(p)
  const weigh = (p: Procedure) => (isLeft(p) ? (planning.weigh(single(p)) ?? []) : [])
  const columns = strips.flatMap((s) =>
    barred.includes(s.workMode) || s.rows.some((r) => lacking.includes(r.meter ?? '')) ? [] : (leftOf(s, isLeft) ?? []),
  )
  const goesOn = (s: Suggestion) => s.saving > s.minutes * minSavingRatio
  const next = procedures.filter((p) => refine || !byHand(p)).flatMap(weigh)
  next.push(...columns.flatMap((column) => planning.weigh(column) ?? []))
  if (!refine && !next.some(goesOn)) next.push(...procedures.filter(byHand).flatMap(weigh))
  const first = (s: Suggestion) => (comesFirst(strategy, predictor.catalogue.machine, s.procedure) ? 0 : 1)
  const { liveMargin } = predictor.calibration.plan
  const rate = (s: Suggestion) => s.saving / Math.max(LEAST_MINUTES, s.minutes + (isLive(s) ? liveMargin : 0))
  next.sort((a, b) => first(a) - first(b) || rate(b) - rate(a) || a.procedure.index - b.procedure.index)
  let stop = !next.some(goesOn)
  if (refine && next.length) {
    const refined = planning.refine(next.filter((s) => first(s) === first(next[0])))
    stop = refined.stop
    const rest = next.filter((s) => !refined.chosen.some((c) => goalOf(c) === goalOf(s)))
    next.splice(0, next.length, ...refined.chosen, ...rest)
  }
  stop ||= planning.isFirstProven()
  if (stop && !planning.isClear()) {
    const paying = (isMeant: (s: Suggestion) => boolean) =>
      planning.paysTogether(next, (s) => !byHand(s.procedure) && isMeant(s))
    // What the order puts first, as long as any of it pays.
    const inOrder = paying((s) => first(s) === 0)
    const together = inOrder.length || strategy === 'best' ? inOrder : paying(() => true)
    stop = together.length === 0
    const rest = next.filter((s) => !together.some((c) => goalOf(c) === goalOf(s)))
    next.splice(0, next.length, ...together, ...rest)
  }
  const { costs, requiredRepairs, costNow } = planning
  const left = procedures.filter((p) => !byHand(p) && !read.has(p.id) && !past(p))
  const situation = { requiredRepairs, costs, stop, left, workState, interventions, unlistedCandidates }
  const conclusion = conclude(predictor, belief, situation)
  if (conclusion.state !== 'cause-stands') return { next, costNow, stop, ...conclusion }
  const [{ repair }] = [...conclusion.remedies].sort((a, b) => b.p - a.p)
  const owed = owedLook(predictor, belief, repair, { workState, interventions, read, left })
  if (!owed) return { next, costNow, stop, ...conclusion }
  const look = planning.suggest(owed)
  return {
    next: [look, ...next.filter((s) => s.strip || s.procedure.id !== owed.id)],
    costNow,
    stop: false,
    ...conclusion,
    unlistedCandidates: [],
    state: 'testing',
  }
}
