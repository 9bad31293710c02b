import type { TestStrategy, WorkMode } from '../../evidence'
import type { Intervention } from '../../model/machine'
import type { Belief, UnlistedCandidate } from '../belief'
import { stripOf, type Procedure, type Strip, type WorkState, type WorkStep } from '../catalogue'
import type { Predictor } from '../predict'
import { arrivalTime } from './arrival-time'
import type { TestOutcome } from './bins'
import { conclude, type Conclusion } from './conclude'
import { RepairCosts } from './costs'
import { owedLook } from './direct-look'
import { overrun } from './expected-minutes'
import { lookAhead, type DecisionTable } from './lookahead'
import { comesFirst } from './strategy'
import { testOutcomes } from './test-outcomes'

export interface Suggestion {
  /** The reading to take; of a strip its first. */
  procedure: Procedure
  /** All readings of a column; `undefined` for a single reading. */
  strip: Strip | undefined
  /** Minutes to get there and take it, as long as it will probably take. */
  minutes: number
  /** Of them, what is expected on top of the healthy machine's. */
  overrun: number
  steps: WorkStep[]
  /** Minutes of later cost it is expected to save. */
  saving: number
  /** Chance of each distinct outcome under what the sheet lists, with the hypotheses it stands for: what the reason is made from. */
  outcomes: TestOutcome[]
}

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

/** Below this all tests take as long as each other, min. */
const LEAST_MINUTES = 0.1

/** Repairs each hypothesis still needs, by place in the belief; one that did not hold is needed again. */
function requiredRepairsOf(belief: Belief, interventions: readonly Intervention[]): number[][] {
  const done = new Set(interventions.map((e) => e.repair))
  return belief.hypotheses.map((m) => {
    const all = [...new Set(m.activeFaults.map((x) => x.fault.repair))]
    const left = all.filter((r) => !done.has(r))
    return left.length ? left : all
  })
}

const isLive = ({ procedure }: Suggestion): boolean => procedure.workMode === 'energised'

/** A test on offer: one reading, or a column of them. */
type Offered = Pick<Suggestion, 'procedure' | 'strip'>
const single = (procedure: Procedure): Offered => ({ procedure, strip: undefined })
const goalOf = ({ procedure, strip }: Offered): Procedure | Strip => strip ?? procedure
const readingsOf = ({ procedure, strip }: Offered): readonly Procedure[] => strip?.rows ?? [procedure]

/** What of a column is still to be read; `undefined` where that is not a column. */
function leftOf(strip: Strip, isLeft: (p: Procedure) => boolean): Offered | undefined {
  const rows = strip.rows.filter(isLeft)
  if (rows.length < 2) return undefined
  return { procedure: rows[0], strip: rows.length === strip.rows.length ? strip : stripOf(rows, strip.id) }
}

/**
 * Of the tests whose net savings are within the noise of the lookahead, that comes first which opens least and takes least. What
 * follows a test is counted in its saving: one that tells little itself is no equal of the one that would follow it.
 *
 * @param own minutes that each saves by itself, at one step
 */
function cheapestOfEquals(
  chosen: readonly Suggestion[],
  own: ReadonlyMap<Procedure | Strip, number>,
  mass: number,
  { tieWithin, tieTells, liveMargin }: Predictor['calibration']['plan'],
): Suggestion[] {
  const net = (s: Suggestion) => s.saving - (s.minutes + (isLive(s) ? liveMargin : 0)) * mass
  const tells = (s: Suggestion) => own.get(goalOf(s))!
  const equals = chosen.filter(
    (s) => net(s) >= net(chosen[0]) - tieWithin * mass && tells(s) >= tieTells * tells(chosen[0]),
  )
  const opens = ({ steps }: Suggestion) => steps.filter((s) => s.type === 'open' || s.type === 'loosen').length
  const sorted = [...equals].sort((a, b) => opens(a) - opens(b) || a.minutes - b.minutes)
  return [...sorted, ...chosen.filter((s) => !equals.includes(s))]
}

/** One plan on its way: what its tests are weighed against. */
class Planning {
  readonly costs: RepairCosts
  readonly requiredRepairs: number[][]
  /** Posterior of the hypotheses that count, 0 for the others, and its sum. */
  private readonly counts: Float64Array
  private readonly counted: number
  private readonly costCounted: number
  private readonly costListed: number

  constructor(
    private readonly predictor: Predictor,
    private readonly belief: Belief,
    private readonly workState: WorkState,
    private readonly interventions: readonly Intervention[],
  ) {
    const { calibration, catalogue } = predictor
    this.costs = RepairCosts.of(catalogue.machine, calibration.plan)
    this.requiredRepairs = requiredRepairsOf(belief, interventions)
    this.counts = belief.posterior.map((p) => (p >= calibration.plan.negligiblePosterior ? p : 0))
    this.counted = this.counts.reduce((s, p) => s + p, 0)
    this.costCounted = this.costs.toGo(this.requiredRepairs, this.counts, belief.unknownFault)
    this.costListed = this.costs.toGo(this.requiredRepairs, this.counts, 0)
  }
  get costNow(): number {
    const { posterior, unknownFault, truncatedMass } = this.belief
    return this.costs.toGo(this.requiredRepairs, posterior, unknownFault + truncatedMass)
  }

  /** Whether one repair is needed whatever else there is: the hunt for a second fault does not hold it up. */
  isFirstProven(): boolean {
    const { posterior, unknownFault } = this.belief
    const needed = new Map<number, number>()
    let listed = 0
    this.requiredRepairs.forEach((repairs, i) => {
      listed += posterior[i]
      for (const r of repairs) needed.set(r, (needed.get(r) ?? 0) + posterior[i])
    })
    return listed - Math.max(0, ...needed.values()) + unknownFault <= this.predictor.calibration.plan.provenRest
  }

  /** A test as it stands, worth its minutes or not. */
  suggest(procedure: Procedure): Suggestion {
    const { predictor, belief } = this
    const outcomes = testOutcomes(predictor, belief, [procedure], this.interventions)
    const { minutes, steps } = predictor.catalogue.accessPaths.from(this.workState, procedure)
    return { ...single(procedure), minutes, overrun: 0, steps, saving: Math.max(0, this.savingBy(outcomes)), outcomes }
  }
  /** Minutes that a test saves at one step. */
  private savingBy(outcomes: readonly TestOutcome[]): number {
    const { costs, requiredRepairs } = this
    const later = outcomes.reduce(
      (s, o) =>
        s +
        (o.p > 0
          ? o.p * costs.toGo(requiredRepairs, o.after, o.unknownFault / o.p)
          : costs.toGo([], o.after, o.unknownFault)),
      0,
    )
    return this.costCounted - later
  }
  /** A test with what it saves at one step; `undefined` where it is not worth offering. */
  weigh(offered: Offered): Suggestion | undefined {
    const { predictor, belief } = this
    const { minSaving, minSavingRatio, unknownIgnored } = predictor.calibration.plan
    const outcomes = testOutcomes(predictor, belief, readingsOf(offered), this.interventions)
    if (outcomes.length < 2) return undefined
    const saving = this.savingBy(outcomes)
    if (saving < minSaving) return undefined
    const path = predictor.catalogue.accessPaths.from(this.workState, goalOf(offered))
    const { steps } = path
    if (path.minutes === Infinity) return undefined
    const longer = overrun(predictor, belief, this.counts, offered.procedure, steps, this.interventions)
    const minutes = path.minutes + longer
    if (belief.unknownFault < unknownIgnored && this.savingAmongListed(outcomes) < minSavingRatio * minutes)
      return undefined
    return { ...offered, minutes, overrun: longer, steps, saving, outcomes }
  }
  private savingAmongListed(outcomes: readonly TestOutcome[]): number {
    const { costs, requiredRepairs } = this
    return (
      this.costListed - outcomes.reduce((s, o) => s + (o.p > 0 ? o.p * costs.toGo(requiredRepairs, o.after, 0) : 0), 0)
    )
  }

  /** The best tests with what follows them counted in, and whether any is worth its minutes. */
  refine(suggestions: readonly Suggestion[]): { chosen: Suggestion[]; stop: boolean } {
    const { unknownFault } = this.belief
    const { plan } = this.predictor.calibration
    const mass = this.counted + unknownFault
    const tabled = suggestions.slice(0, plan.tabled)
    const weights = Float64Array.from([...this.counts.filter((x) => x > 0), unknownFault])
    const chosen = lookAhead(this.table(tabled), weights, plan).map(({ test, saving }) => ({
      ...tabled[test],
      saving: saving * mass,
    }))
    const stop = chosen.length === 0 || chosen[0].saving - chosen[0].minutes * mass <= 0
    const own = new Map(tabled.map((s) => [goalOf(s), s.saving]))
    return { chosen: cheapestOfEquals(chosen, own, mass, plan), stop }
  }
  /** Decision table of the most telling tests, with the minutes between them. */
  private table(suggestions: readonly Suggestion[]): DecisionTable {
    const { belief, workState, requiredRepairs, costs } = this
    const { accessPaths } = this.predictor.catalogue
    // Hypotheses that count, and no others: the table is small so that it can be gone through often.
    const counting = [...this.counts.keys()].filter((i) => this.counts[i] > 0)
    const from = [workState, ...suggestions.map((s) => accessPaths.from(workState, goalOf(s)).after)]
    const { unknownFault, posterior } = belief
    const { liveMargin } = this.predictor.calibration.plan
    return {
      costs,
      requiredRepairs: [...counting.map((i) => requiredRepairs[i]), []],
      unknownFault: counting.length,
      outcomes: suggestions.map((s) =>
        s.outcomes.map((o) =>
          Float64Array.from([
            ...counting.map((i) => (o.after[i] * o.p) / posterior[i]),
            unknownFault > 0 ? o.unknownFault / unknownFault : 0,
          ]),
        ),
      ),
      minutes: from.map((f) =>
        Float64Array.from(
          suggestions,
          (s) => accessPaths.from(f, goalOf(s)).minutes + s.overrun + (isLive(s) ? liveMargin : 0),
        ),
      ),
    }
  }
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
  const { strategy = 'best', barred = [], taken = new Set(), read = taken, interventions = [] } = options
  const { stoppedRuns = new Map<number, number>(), refine = true, unlistedCandidates = () => [] } = options
  const { runs, strips } = predictor.catalogue
  const procedures = predictor.catalogue.procedures.filter((p) => !barred.includes(p.workMode))
  const { minSavingRatio } = predictor.calibration.plan
  const planning = new Planning(predictor, belief, workState, interventions)
  const past = (p: Procedure) => arrivalTime(predictor, p) >= (stoppedRuns.get(p.run) ?? Infinity)
  // Something done by hand makes another run under every suspect: a quick answer does without, as long as it can.
  const byHand = (p: Procedure) => runs[p.run].interventions.length > 0
  const isLeft = (p: Procedure) => !taken.has(p.id) && !past(p)
  const weigh = (p: Procedure) => (isLeft(p) ? (planning.weigh(single(p)) ?? []) : [])
  const columns = strips.flatMap((s) => (barred.includes(s.workMode) ? [] : (leftOf(s, isLeft) ?? [])))
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
    next: [look, ...next.filter((s) => s.strip || s.procedure !== owed)],
    costNow,
    stop: false,
    ...conclusion,
    unlistedCandidates: [],
    state: 'testing',
  }
}
