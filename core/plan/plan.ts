import { chanceOfYes, conditional, elseShares, keyOf, type Belief, type Condition } from '../diagnose'
import type { Edit, Machine } from '../machine'
import type { Predictor, Prediction } from '../predict'
import { minutesTo, type Move, type Procedure, type Standing } from '../procedure'
import { costsOf, costToGo, type Costs } from './costs'
import { lookAhead, type Table } from './lookahead'

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
/** Share of its minutes that a test must save to go on, when one step alone is looked at. */
const PATIENCE = 0.5
/** Tests that lookahead works with. */
const TABLED = 20
/** Members below this posterior do not count when tests are compared. */
const COUNTS = 2e-3
const BINS = 12
const SCARCELY = 1e-6
/** A healthy machine shows something else there when it does so with at least this chance. */
const APART = 0.5
/** Times that a switch is worked when nobody says otherwise. */
export const WORKED = 10

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

export interface Outcome {
  p: number
  /** Range of values in SI, or the kind of outcome. */
  is: 'value' | 'open' | 'never' | 'yes' | 'no' | 'word' | 'times'
  low: number
  high: number
  word: string | undefined
  /** Posterior after this outcome, by place in the belief, among what the sheet lists. */
  after: Float64Array
  /** Probability that the cause is something else and this is shown. */
  other: number
}

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

export interface Plan {
  next: Suggestion[]
  remedies: Remedy[]
  /** Expected minutes (with parts) from here when no further test is taken. */
  costNow: number
  /** True when no test is worth its minutes any more. */
  stop: boolean
  /** How it stands: tests to go, a cause that stands, readings that nothing listed explains, or no cause clear enough. */
  state: PlanState
}

export type PlanState = 'testing' | 'cause-stands' | 'unexplained' | 'undecided'

/** The cause stands when one repair cures it with at least this probability. */
export const STANDS_ABOVE = 0.95

/**
 * How rare something unlisted is, nobody knows well: the cause must stand even if it were this many times as likely.
 */
const DOUBTED = 3

/** The moment of a test, whatever is read at it; a length is not read at a moment. */
export const momentKey = ({ run, moment, what }: Procedure): string =>
  what.is === 'duration' ? `${run}|length|${what.phase}` : `${run}|${moment}`

/** Repairs each member still needs, by place in the belief; one that did not hold is needed again. */
const needsOf = (belief: Belief, edits: readonly Edit[]): number[][] => {
  const done = new Set(edits.map((e) => e.repair))
  return belief.members.map((m) => {
    const all = [...new Set(m.present.map((x) => x.fault.repair))]
    const left = all.filter((r) => !done.has(r))
    return left.length ? left : all
  })
}

function erf(x: number): number {
  // Abramowitz & Stegun 7.1.26, absolute error below 1.5e-7.
  const t = 1 / (1 + 0.3275911 * Math.abs(x))
  const y =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x)
  return x < 0 ? -y : y
}
const normalCdf = (z: number): number => 0.5 * (1 + erf(z / Math.SQRT2))

/** Cuts the axis between clusters of predicted values so that each bin holds what a reading could not tell apart. */
function binEdges(values: { mean: number; sd: number }[]): number[] {
  const sorted = [...values].sort((a, b) => a.mean - b.mean)
  const cuts: { at: number; gap: number }[] = []
  for (let i = 1; i < sorted.length; i++) {
    const [a, b] = [sorted[i - 1], sorted[i]]
    const gap = (b.mean - a.mean) / (a.sd + b.sd)
    if (gap > 0.5) cuts.push({ at: a.mean + ((b.mean - a.mean) * a.sd) / (a.sd + b.sd), gap })
  }
  return cuts
    .sort((a, b) => b.gap - a.gap)
    .slice(0, BINS - 1)
    .map((c) => c.at)
    .sort((a, b) => a - b)
}

interface Bin extends Omit<Outcome, 'p' | 'after' | 'other'> {
  key: string
}
const PLAIN = { low: NaN, high: NaN, word: undefined }

/** Calls `put` with each outcome that a prediction may lead to and its chance. */
function spread(
  prediction: Prediction,
  condition: Condition,
  edges: readonly number[],
  key: string,
  put: (bin: Bin, chance: number) => void,
): void {
  switch (prediction.is) {
    case 'value': {
      const { mean, variance } = conditional(prediction, condition, key)
      const sd = Math.sqrt(variance)
      let below = 0
      for (let k = 0; k <= edges.length; k++) {
        const upto = k < edges.length ? normalCdf((edges[k] - mean) / sd) : 1
        // A bin that a member hardly ever falls into is not worth a row.
        if (upto - below > SCARCELY) {
          const [low, high] = [k ? edges[k - 1] : -Infinity, edges[k] ?? Infinity]
          put({ key: `v${k}`, is: 'value', low, high, word: undefined }, upto - below)
        }
        below = upto
      }
      return
    }
    case 'sense': {
      const yes = chanceOfYes(prediction, condition)
      put({ key: 'yes', is: 'yes', ...PLAIN }, yes)
      put({ key: 'no', is: 'no', ...PLAIN }, 1 - yes)
      return
    }
    case 'times': {
      const whole = prediction.clean ** WORKED
      put({ key: 'clean', is: 'times', ...PLAIN, low: WORKED, high: WORKED }, whole)
      put({ key: 'missed', is: 'times', ...PLAIN, low: 0, high: WORKED - 1 }, 1 - whole)
      return
    }
    case 'word':
      put({ key: `w${prediction.word}`, is: 'word', ...PLAIN, word: prediction.word }, 1)
      return
    default:
      put({ key: prediction.is, is: prediction.is, ...PLAIN }, 1)
  }
}

/**
 * Distinct outcomes of a test under a belief, each with its probability and the posterior it would leave. What only a
 * healthy machine shows there is an outcome as well: it would say that the cause is something else.
 */
export function outcomesOf(
  predictor: Predictor,
  belief: Belief,
  procedure: Procedure,
  edits: readonly Edit[] = [],
): Outcome[] {
  const rows: { i: number; p: number; prediction: Prediction }[] = []
  const key = keyOf({ procedure, meter: undefined, edits })
  const values: { mean: number; sd: number }[] = []
  belief.members.forEach((m, i) => {
    if (belief.p[i] < COUNTS) return
    const prediction = predictor.screen(m, procedure, edits)
    rows.push({ i, p: belief.p[i], prediction })
    if (prediction.is !== 'value') return
    const { mean, variance } = conditional(prediction, belief.conditions[i], key)
    values.push({ mean, sd: Math.sqrt(variance) })
  })
  const edges = binEdges(values)
  const bins = new Map<string, Outcome>()
  let listed = 0
  for (const { i, p, prediction } of rows)
    spread(prediction, belief.conditions[i], edges, key, ({ key: bin, ...shown }, chance) => {
      if (chance <= 0) return
      let o = bins.get(bin)
      if (!o) bins.set(bin, (o = { ...shown, p: 0, other: 0, after: new Float64Array(belief.members.length) }))
      o.p += p * chance
      o.after[i] += p * chance
      listed += p * chance
    })
  const all = [...bins.values()]
  for (const o of all) for (let i = 0; i < o.after.length; i++) o.after[i] /= o.p
  // What something else would show: what the machine shows there when it is well, or what the listed causes show.
  const { healthy: asWell, mixture } = elseShares(procedure)
  const well = (belief.unexplained * asWell) / (asWell + mixture)
  for (const o of all) o.other = (belief.unexplained - well) * (o.p / listed)
  const healthy = predictor.screen(belief.members[0], procedure, edits)
  spread(healthy, belief.conditions[0], edges, key, ({ key: bin, ...shown }, chance) => {
    const other = well * chance
    const o = bins.get(bin)
    if (o) o.other += other
    else if (chance > APART) all.push({ ...shown, p: 0, other, after: new Float64Array(belief.members.length) })
  })
  return all
}

/** What stands against doing a repair at once: faults that it leaves, and faults that would undo it. */
function behindRepair(machine: Machine, belief: Belief, repair: number): Pick<Remedy, 'unproven' | 'killers'> {
  const mass = new Float64Array(machine.faults.length)
  belief.members.forEach((m, i) => {
    for (const { fault } of m.present) mass[fault.index] += belief.p[i]
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
  /** Ids of tests already read in the present state; they are not offered again. */
  taken?: ReadonlySet<string>
  /** What hands have left in the machine. */
  edits?: readonly Edit[]
  /** Moments (as `momentKey` gives them) that were waited for in the present state and never came. */
  never?: ReadonlySet<string>
  /** Whether to look further than one step. */
  refine?: boolean
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
  const { order = 'best', taken = new Set(), edits = [], never = new Set(), refine = true } = options
  const { machine, procedures, runs } = predictor.bench
  const costs = costsOf(machine)
  const { unexplained } = belief
  const needs = needsOf(belief, edits)
  const costNow = costToGo(costs, needs, belief.p, belief.unexplained + belief.residual)
  const counts = belief.p.map((p) => (p >= COUNTS ? p : 0))
  const counted = counts.reduce((s, p) => s + p, 0)
  const countedNow = costToGo(costs, needs, counts, unexplained)
  const weigh = (procedure: Procedure): Suggestion[] => {
    if (taken.has(procedure.id) || never.has(momentKey(procedure))) return []
    const outcomes = outcomesOf(predictor, belief, procedure, edits)
    if (outcomes.length < 2) return []
    const later = outcomes.reduce(
      (s, o) =>
        s + (o.p > 0 ? o.p * costToGo(costs, needs, o.after, o.other / o.p) : costToGo(costs, [], o.after, o.other)),
      0,
    )
    const saving = countedNow - later
    if (saving < WORTH) return []
    const { minutes, moves } = minutesTo(machine, standing, procedure)
    return [{ procedure, minutes, moves, saving, outcomes }]
  }
  const goesOn = (s: Suggestion) => s.saving > s.minutes * PATIENCE
  // Something done by hand makes another run under every suspect: a quick answer does without, as long as it can.
  const byHand = (p: Procedure) => runs[p.run].edits.length > 0
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
  const mass = new Float64Array(machine.sheet.repairs.length)
  needs.forEach((n, i) => n.forEach((r) => (mass[r] += belief.p[i])))
  const due = (r: number) => costs.repair[r] + costs.vain[r]
  const remedies: Remedy[] = [...mass.keys()]
    .filter((r) => mass[r] > 0.001)
    .sort((a, b) => mass[b] / due(b) - mass[a] / due(a) || a - b)
    .map((r) => ({
      repair: r,
      p: mass[r],
      minutes: machine.sheet.repairs[r].minutes,
      price: machine.sheet.repairs[r].price,
      ...behindRepair(machine, belief, r),
    }))
  const best = Math.max(0, ...mass)
  const state: PlanState = !stop
    ? 'testing'
    : best >= STANDS_ABOVE * (best + DOUBTED * belief.unexplained + (1 - best - belief.unexplained))
      ? 'cause-stands'
      : belief.unexplained > best
        ? 'unexplained'
        : 'undecided'
  return { next: suggestions, remedies, costNow, stop, state }
}
