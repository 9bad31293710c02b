import type { Belief, Beside } from '../diagnose'
import type { Intervention, Machine } from '../model/machine'
import type { Predictor } from '../predict'
import { minutesTo, START_AT, type Move, type Procedure, type Standing } from '../procedure'
import { conclude, type PlanState, type Remedy, type Unlisted } from './conclude'
import { costsOf, costToGo, type Costs } from './costs'
import { lookAhead, type Table } from './lookahead'
import { COUNTS, outcomesOf, type Outcome } from './outcomes'

/** The named orders in which good practitioners differ; `best` lets the saving decide alone. */
export type Order = 'best' | 'live-first' | 'dead-first' | 'water-first'
export const ORDERS: readonly Order[] = ['best', 'live-first', 'dead-first', 'water-first']

const SCHOOLS: Record<Order, readonly Procedure['school'][] | undefined> = {
  best: undefined,
  'live-first': ['look', 'live'],
  'dead-first': ['look', 'dead'],
  'water-first': ['look', 'water'],
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
  moves: Move[]
  /** Minutes of later cost it is expected to save. */
  saving: number
  /** Chance of each distinct outcome under what the sheet lists, with the members it stands for: what the reason is made from. */
  outcomes: Outcome[]
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
  besides: Unlisted[]
  /**
   * How it stands: tests to go; a cause that stands; none that does, but a likeliest one whose repair costs hardly a part and is sooner
   * done than told from the rest; readings that nothing listed explains; no cause clear enough.
   */
  state: PlanState
}

/** When the healthy machine has come to where a test is taken, s after its program was begun; NaN where it waits for no phase. */
export function comesAt(predictor: Predictor, { run, moment, what, needs }: Procedure): number {
  const { runs } = predictor.bench
  if (what.is === 'duration') return predictor.timeline(predictor.healthy, run).phases[what.phase].to - START_AT
  return needs.reach && runs[run].script.moments[moment].type === 'phase' ? needs.reach.seconds : NaN
}

/** Repairs each member still needs, by place in the belief; one that did not hold is needed again. */
const needsOf = (belief: Belief, interventions: readonly Intervention[]): number[][] => {
  const done = new Set(interventions.map((e) => e.repair))
  return belief.members.map((m) => {
    const all = [...new Set(m.activeFaults.map((x) => x.fault.repair))]
    const left = all.filter((r) => !done.has(r))
    return left.length ? left : all
  })
}

/** Decision table of the most telling tests, with the minutes between them. */
function tableOf(
  machine: Machine,
  belief: Belief,
  standing: Standing,
  suggestions: readonly Suggestion[],
  costs: Costs,
  needs: number[][],
): Table {
  // Members that count, and no others: the table is small so that it can be gone through often.
  const counting = [...belief.p.keys()].filter((i) => belief.p[i] >= COUNTS)
  const from = [standing, ...suggestions.map((s) => minutesTo(machine, standing, s.procedure).after)]
  const { unexplained } = belief
  return {
    costs,
    needs: [...counting.map((i) => needs[i]), []],
    other: counting.length,
    outcomes: suggestions.map((s) =>
      s.outcomes.map((o) =>
        Float64Array.from([
          ...counting.map((i) => (o.after[i] * o.p) / belief.p[i]),
          unexplained > 0 ? o.other / unexplained : 0,
        ]),
      ),
    ),
    minutes: from.map((f) => Float64Array.from(suggestions, (s) => minutesTo(machine, f, s.procedure).minutes)),
  }
}

export interface PlanOptions {
  order?: Order
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
  stopped?: ReadonlyMap<number, number>
  /** Whether to look further than one step. */
  refine?: boolean
  /** What the sheet does not list and would explain the evidence; asked for when the tests end. */
  besides?: () => readonly Beside[]
}

/**
 * What to do next: every test that can tell something, and the repairs by probability over cost.
 *
 * The saving of a test is the fall of the expected cost to the right repair, averaged over its outcomes; refined, the
 * tests that would follow are counted in.
 *
 * @param standing how machine and technician stand, for the minutes of each test
 */
export function plan(predictor: Predictor, belief: Belief, standing: Standing, options: PlanOptions = {}): Plan {
  const {
    order = 'best',
    taken = new Set(),
    read = taken,
    interventions = [],
    stopped = new Map<number, number>(),
    refine = true,
    besides = () => [],
  } = options
  const { machine, procedures, runs } = predictor.bench
  const costs = costsOf(machine)
  const { unexplained } = belief
  const needs = needsOf(belief, interventions)
  const costNow = costToGo(costs, needs, belief.p, belief.unexplained + belief.residual)
  const counts = belief.p.map((p) => (p >= COUNTS ? p : 0))
  const counted = counts.reduce((s, p) => s + p, 0)
  const countedNow = costToGo(costs, needs, counts, unexplained)
  const past = (p: Procedure) => comesAt(predictor, p) >= (stopped.get(p.run) ?? Infinity)
  const listedNow = costToGo(costs, needs, counts, 0)
  const amongListed = (outcomes: readonly Outcome[]) =>
    listedNow - outcomes.reduce((s, o) => s + (o.p > 0 ? o.p * costToGo(costs, needs, o.after, 0) : 0), 0)
  const weigh = (procedure: Procedure): Suggestion[] => {
    if (taken.has(procedure.id) || past(procedure)) return []
    const outcomes = outcomesOf(predictor, belief, procedure, interventions)
    if (outcomes.length < 2) return []
    const later = outcomes.reduce(
      (s, o) =>
        s + (o.p > 0 ? o.p * costToGo(costs, needs, o.after, o.other / o.p) : costToGo(costs, [], o.after, o.other)),
      0,
    )
    const saving = countedNow - later
    if (saving < WORTH) return []
    const { minutes, moves } = minutesTo(machine, standing, procedure)
    if (unexplained < ODD && amongListed(outcomes) < PATIENCE * minutes) return []
    return [{ procedure, minutes, moves, saving, outcomes }]
  }
  const goesOn = (s: Suggestion) => s.saving > s.minutes * PATIENCE
  // Something done by hand makes another run under every suspect: a quick answer does without, as long as it can.
  const byHand = (p: Procedure) => runs[p.run].interventions.length > 0
  const suggestions = procedures.filter((p) => refine || !byHand(p)).flatMap(weigh)
  if (!refine && !suggestions.some(goesOn)) suggestions.push(...procedures.filter(byHand).flatMap(weigh))
  const schools = SCHOOLS[order]
  const first = (s: Suggestion) => (schools === undefined || schools.includes(s.procedure.school) ? 0 : 1)
  const rate = (s: Suggestion) => s.saving / s.minutes
  suggestions.sort((a, b) => first(a) - first(b) || rate(b) - rate(a) || a.procedure.index - b.procedure.index)
  let stop = !suggestions.some(goesOn)
  if (refine && suggestions.length) {
    const open = schools === undefined ? suggestions : suggestions.filter((s) => first(s) === first(suggestions[0]))
    const tabled = open.slice(0, TABLED)
    const table = tableOf(machine, belief, standing, tabled, costs, needs)
    const chosen = lookAhead(table, Float64Array.from([...counts.filter((x) => x > 0), unexplained])).map(
      ({ test, saving }) => ({ ...tabled[test], saving: saving * (counted + unexplained) }),
    )
    const net = (s: Suggestion) => s.saving - s.minutes * (counted + unexplained)
    stop = chosen.length === 0 || net(chosen[0]) <= 0
    const rest = suggestions.filter((s) => !chosen.some((c) => c.procedure === s.procedure))
    suggestions.splice(0, suggestions.length, ...chosen, ...rest)
  }
  const left = procedures.filter((p) => !byHand(p) && !read.has(p.id) && !past(p))
  return {
    next: suggestions,
    costNow,
    stop,
    ...conclude(predictor, belief, { needs, costs, stop, left, standing, interventions, besides }),
  }
}
