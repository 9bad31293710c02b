import type { Belief, UnlistedCandidate } from '../belief'
import type { Intervention, Machine } from '../../model/machine'
import type { Predictor } from '../predict'
import { accessPath, PROGRAM_START, type WorkStep, type Procedure, type WorkState } from '../catalogue'
import { conclude, type PlanState, type Remedy, type NamedCandidate } from './conclude'
import { costsOf, costToGo, type Costs } from './costs'
import { lookAhead, type DecisionTable } from './lookahead'
import { NEGLIGIBLE_POSTERIOR, testOutcomes, type TestOutcome } from './outcomes'

/** The named orders in which good practitioners differ; `best` lets the saving decide alone. */
export type TestStrategy = 'best' | 'live-first' | 'dead-first' | 'water-first'
export const TEST_STRATEGIES: readonly TestStrategy[] = ['best', 'live-first', 'dead-first', 'water-first']

const SCHOOLS: Record<TestStrategy, readonly Procedure['workMode'][] | undefined> = {
  best: undefined,
  'live-first': ['observe', 'energised'],
  'dead-first': ['observe', 'isolated'],
  'water-first': ['observe', 'water'],
}

/** A test is worth offering when it is expected to save at least this, min. */
const WORTH = 0.05
/** As long as something else is less likely than this, a test must tell what is listed apart, not only from something else. */
const ODD = 0.2
/** Share of its minutes that a test must save to go on, when one step alone is looked at. */
const PATIENCE = 0.5
/** Tests that lookahead works with. */
const TABLED = 20

export interface Suggestion {
  procedure: Procedure
  /** Minutes to get there and take it. */
  minutes: number
  steps: WorkStep[]
  /** Minutes of later cost it is expected to save. */
  saving: number
  /** Chance of each distinct outcome under what the sheet lists, with the members it stands for: what the reason is made from. */
  outcomes: TestOutcome[]
}

export interface Plan {
  next: Suggestion[]
  remedies: Remedy[]
  /** Expected minutes (with parts) from here when no further test is taken. */
  costNow: number
  /** True when no test is worth its minutes any more. */
  stop: boolean
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

/** When the healthy machine has come to where a test is taken, s after its program was begun; NaN where it waits for no phase. */
export function arrivalTime(predictor: Predictor, { run, moment, measurement, needs }: Procedure): number {
  const { runs } = predictor.catalogue
  if (measurement.type === 'duration')
    return predictor.timeline(predictor.healthy, run).phases[measurement.phase].to - PROGRAM_START
  return needs.arrival && runs[run].script.moments[moment].type === 'phase' ? needs.arrival.seconds : NaN
}

/** Repairs each member still needs, by place in the belief; one that did not hold is needed again. */
const needsOf = (belief: Belief, interventions: readonly Intervention[]): number[][] => {
  const done = new Set(interventions.map((e) => e.repair))
  return belief.hypotheses.map((m) => {
    const all = [...new Set(m.activeFaults.map((x) => x.fault.repair))]
    const left = all.filter((r) => !done.has(r))
    return left.length ? left : all
  })
}

/** Decision table of the most telling tests, with the minutes between them. */
function tableOf(
  machine: Machine,
  belief: Belief,
  workState: WorkState,
  suggestions: readonly Suggestion[],
  costs: Costs,
  requiredRepairs: number[][],
): DecisionTable {
  // Members that count, and no others: the table is small so that it can be gone through often.
  const counting = [...belief.posterior.keys()].filter((i) => belief.posterior[i] >= NEGLIGIBLE_POSTERIOR)
  const from = [workState, ...suggestions.map((s) => accessPath(machine, workState, s.procedure).after)]
  const { unknownFault: unknownFault } = belief
  return {
    costs,
    requiredRepairs: [...counting.map((i) => requiredRepairs[i]), []],
    unknownFault: counting.length,
    outcomes: suggestions.map((s) =>
      s.outcomes.map((o) =>
        Float64Array.from([
          ...counting.map((i) => (o.after[i] * o.p) / belief.posterior[i]),
          unknownFault > 0 ? o.unknownFault / unknownFault : 0,
        ]),
      ),
    ),
    minutes: from.map((f) => Float64Array.from(suggestions, (s) => accessPath(machine, f, s.procedure).minutes)),
  }
}

export interface PlanOptions {
  strategy?: TestStrategy
  /** Ids of tests not to be offered again in the present state. */
  taken?: ReadonlySet<string>
  /** Ids of tests read at least once in the present state. */
  read?: ReadonlySet<string>
  /** What hands have left in the machine. */
  interventions?: readonly Intervention[]
  /**
   * Runs that have been found stopped in the present state, with where (see `comesAt`): what would come then or later does
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
 * @param standing how machine and technician stand, for the minutes of each test
 */
export function plan(predictor: Predictor, belief: Belief, workState: WorkState, options: PlanOptions = {}): Plan {
  const {
    strategy: order = 'best',
    taken = new Set(),
    read = taken,
    interventions = [],
    stoppedRuns: stoppedRuns = new Map<number, number>(),
    refine = true,
    unlistedCandidates: unlistedCandidates = () => [],
  } = options
  const { machine, procedures, runs } = predictor.catalogue
  const costs = costsOf(machine)
  const { unknownFault: unknownFault } = belief
  const requiredRepairs = needsOf(belief, interventions)
  const costNow = costToGo(costs, requiredRepairs, belief.posterior, belief.unknownFault + belief.truncatedMass)
  const counts = belief.posterior.map((p) => (p >= NEGLIGIBLE_POSTERIOR ? p : 0))
  const counted = counts.reduce((s, p) => s + p, 0)
  const countedNow = costToGo(costs, requiredRepairs, counts, unknownFault)
  const past = (p: Procedure) => arrivalTime(predictor, p) >= (stoppedRuns.get(p.run) ?? Infinity)
  const listedNow = costToGo(costs, requiredRepairs, counts, 0)
  const amongListed = (outcomes: readonly TestOutcome[]) =>
    listedNow - outcomes.reduce((s, o) => s + (o.p > 0 ? o.p * costToGo(costs, requiredRepairs, o.after, 0) : 0), 0)
  const weigh = (procedure: Procedure): Suggestion[] => {
    if (taken.has(procedure.id) || past(procedure)) return []
    const outcomes = testOutcomes(predictor, belief, procedure, interventions)
    if (outcomes.length < 2) return []
    const later = outcomes.reduce(
      (s, o) =>
        s +
        (o.p > 0
          ? o.p * costToGo(costs, requiredRepairs, o.after, o.unknownFault / o.p)
          : costToGo(costs, [], o.after, o.unknownFault)),
      0,
    )
    const saving = countedNow - later
    if (saving < WORTH) return []
    const { minutes, steps: moves } = accessPath(machine, workState, procedure)
    if (unknownFault < ODD && amongListed(outcomes) < PATIENCE * minutes) return []
    return [{ procedure, minutes, steps: moves, saving, outcomes }]
  }
  const goesOn = (s: Suggestion) => s.saving > s.minutes * PATIENCE
  // Something done by hand makes another run under every suspect: a quick answer does without, as long as it can.
  const byHand = (p: Procedure) => runs[p.run].interventions.length > 0
  const suggestions = procedures.filter((p) => refine || !byHand(p)).flatMap(weigh)
  if (!refine && !suggestions.some(goesOn)) suggestions.push(...procedures.filter(byHand).flatMap(weigh))
  const schools = SCHOOLS[order]
  const first = (s: Suggestion) => (schools === undefined || schools.includes(s.procedure.workMode) ? 0 : 1)
  const rate = (s: Suggestion) => s.saving / s.minutes
  suggestions.sort((a, b) => first(a) - first(b) || rate(b) - rate(a) || a.procedure.index - b.procedure.index)
  let stop = !suggestions.some(goesOn)
  if (refine && suggestions.length) {
    const open = schools === undefined ? suggestions : suggestions.filter((s) => first(s) === first(suggestions[0]))
    const tabled = open.slice(0, TABLED)
    const table = tableOf(machine, belief, workState, tabled, costs, requiredRepairs)
    const chosen = lookAhead(table, Float64Array.from([...counts.filter((x) => x > 0), unknownFault])).map(
      ({ test, saving }) => ({ ...tabled[test], saving: saving * (counted + unknownFault) }),
    )
    const net = (s: Suggestion) => s.saving - s.minutes * (counted + unknownFault)
    stop = chosen.length === 0 || net(chosen[0]) <= 0
    const rest = suggestions.filter((s) => !chosen.some((c) => c.procedure === s.procedure))
    suggestions.splice(0, suggestions.length, ...chosen, ...rest)
  }
  const left = procedures.filter((p) => !byHand(p) && !read.has(p.id) && !past(p))
  return {
    next: suggestions,
    costNow,
    stop,
    ...conclude(predictor, belief, {
      requiredRepairs: requiredRepairs,
      costs,
      stop,
      left,
      workState,
      interventions,
      unlistedCandidates: unlistedCandidates,
    }),
  }
}
