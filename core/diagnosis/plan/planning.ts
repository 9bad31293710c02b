import type { Intervention } from '../../model/machine'
import type { Belief } from '../belief'
import { stripOf, type Procedure, type Strip, type WorkState, type WorkStep } from '../catalogue'
import type { Predictor } from '../predict'
import type { TestOutcome } from './bins'
import { RepairCosts } from './costs'
import { overrun } from './expected-minutes'
import { informationOn } from './information'
import { lookAhead, type Choice, type DecisionTable } from './lookahead'
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

/** Below this all tests take as long as each other, min. */
export const LEAST_MINUTES = 0.1

/** Repairs each hypothesis still needs, by place in the belief; one that did not hold is needed again. */
function requiredRepairsOf(belief: Belief, interventions: readonly Intervention[]): number[][] {
  const done = interventions.flatMap((e) => e.repair ?? [])
  return belief.hypotheses.map((m) => {
    const left = m.activeFaults.filter(({ fault }) => !done.some((r) => fault.curedBy.includes(r)))
    return [...new Set((left.length ? left : m.activeFaults).map((x) => x.fault.repair))]
  })
}

export const isLive = ({ procedure }: Suggestion): boolean => procedure.workMode === 'energised'

/** A test on offer: one reading, or a column of them. */
export type Offered = Pick<Suggestion, 'procedure' | 'strip'>
export const single = (procedure: Procedure): Offered => ({ procedure, strip: undefined })
export const goalOf = ({ procedure, strip }: Offered): Procedure | Strip => strip ?? procedure
const readingsOf = ({ procedure, strip }: Offered): readonly Procedure[] => strip?.rows ?? [procedure]

/** What of a column is still to be read; `undefined` where that is not a column. */
export function leftOf(strip: Strip, isLeft: (p: Procedure) => boolean): Offered | undefined {
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
export class Planning {
  readonly costs: RepairCosts
  readonly requiredRepairs: number[][]
  /** Posterior of the hypotheses that count, 0 for the others, and its sum. */
  private readonly counts: Float64Array
  private readonly counted: number
  private readonly costCounted: number
  private readonly costListed: number
  /** Tests that save too little at one step to be offered for it. */
  private readonly passedOver: { offered: Offered; outcomes: TestOutcome[]; saving: number }[] = []

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

  /** Weight of what the repair that is needed most often would leave. */
  private get leftByBest(): number {
    const { posterior, unknownFault } = this.belief
    const needed = new Map<number, number>()
    let listed = 0
    this.requiredRepairs.forEach((repairs, i) => {
      listed += posterior[i]
      for (const r of repairs) needed.set(r, (needed.get(r) ?? 0) + posterior[i])
    })
    return listed - Math.max(0, ...needed.values()) + unknownFault
  }
  /** Whether one repair is needed whatever else there is: the hunt for a second fault does not hold it up. */
  isFirstProven(): boolean {
    return this.leftByBest <= this.predictor.calibration.plan.provenRest
  }
  /** Whether a cause stands, and more than a test that pays by itself is not asked for. */
  isClear(): boolean {
    return this.leftByBest <= 1 - this.predictor.calibration.plan.standsAbove
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
  /** A test with what it saves at one step; `undefined` where it is not worth offering for that. */
  weigh(offered: Offered): Suggestion | undefined {
    const { predictor, belief } = this
    const { minSaving, minSavingRatio, unknownIgnored } = predictor.calibration.plan
    const outcomes = testOutcomes(predictor, belief, readingsOf(offered), this.interventions)
    if (outcomes.length < 2) return undefined
    const saving = this.savingBy(outcomes)
    if (saving >= minSaving) {
      const weighed = this.reached(offered, outcomes, saving)
      if (weighed.minutes === Infinity) return undefined
      const enough = minSavingRatio * weighed.minutes
      if (belief.unknownFault >= unknownIgnored || this.savingAmongListed(outcomes) >= enough) return weighed
    }
    this.passedOver.push({ offered, outcomes, saving })
    return undefined
  }
  /** A test with the way to it. */
  private reached(offered: Offered, outcomes: TestOutcome[], saving: number): Suggestion {
    const { predictor, belief, interventions } = this
    const { minutes, steps } = predictor.catalogue.accessPaths.from(this.workState, goalOf(offered))
    const longer =
      minutes === Infinity ? 0 : overrun(predictor, belief, this.counts, offered.procedure, steps, interventions)
    return { ...offered, minutes: minutes + longer, overrun: longer, steps, saving, outcomes }
  }
  private savingAmongListed(outcomes: readonly TestOutcome[]): number {
    const { costs, requiredRepairs } = this
    return (
      this.costListed - outcomes.reduce((s, o) => s + (o.p > 0 ? o.p * costs.toGo(requiredRepairs, o.after, 0) : 0), 0)
    )
  }

  /** The best tests with what follows them counted in, and whether any is worth its minutes. */
  refine(suggestions: readonly Suggestion[]): { chosen: Suggestion[]; stop: boolean } {
    const { plan } = this.predictor.calibration
    const tabled = suggestions.slice(0, plan.tabled)
    const chosen = this.tried(tabled)
    const stop = chosen.length === 0 || !this.pays(chosen[0])
    const own = new Map(tabled.map((s) => [goalOf(s), s.saving]))
    return { chosen: cheapestOfEquals(chosen, own, this.mass, plan), stop }
  }
  /**
   * Where no test pays by itself: those that tell most of which repair is needed, as far as they pay with what would follow them.
   *
   * @param isMeant whether a test may come into question
   */
  paysTogether(suggestions: readonly Suggestion[], isMeant: (s: Suggestion) => boolean): Suggestion[] {
    const { tabled: most, tried } = this.predictor.calibration.plan
    const { repairs } = this.predictor.catalogue.machine
    const telling = [
      ...suggestions,
      ...this.passedOver.map(({ offered, outcomes, saving }) => this.reached(offered, outcomes, saving)),
    ]
      .filter((s) => s.minutes !== Infinity && isMeant(s))
      .map((s) => ({
        s,
        perMinute: informationOn(s.outcomes, this.requiredRepairs, repairs.length) / Math.max(LEAST_MINUTES, s.minutes),
      }))
      .sort((a, b) => b.perMinute - a.perMinute || a.s.procedure.index - b.s.procedure.index)
      .slice(0, most)
      .map(({ s }) => s)
    const roots = [...telling.keys()].slice(0, tried)
    return this.tried(telling, roots).filter((s) => this.pays(s))
  }
  private get mass(): number {
    return this.counted + this.belief.unknownFault
  }
  private pays({ saving, minutes }: Suggestion): boolean {
    return saving - minutes * this.mass > 0
  }
  /** Tests by what they save with what follows counted in, best first. */
  private tried(tabled: readonly Suggestion[], roots?: readonly number[]): Suggestion[] {
    const { plan } = this.predictor.calibration
    const weights = Float64Array.from([...this.counts.filter((x) => x > 0), this.belief.unknownFault])
    const choices: Choice[] = lookAhead(this.table(tabled), weights, plan, roots)
    return choices.map(({ test, saving }) => ({ ...tabled[test], saving: saving * this.mass }))
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
