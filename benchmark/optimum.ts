import { QUALITY_AIMS } from './aims'
import { lookAhead, RepairCosts, testOutcomes, type DecisionTable } from '../core/diagnosis/plan'
import { inferBelief } from '../core/diagnosis/belief'
import type { Predictor } from '../core/diagnosis/predict'
import type { WorkState } from '../core/diagnosis/catalogue'
import { random, type Random } from '../core/truth'
import type { Row } from './table'

/** A small decision cut out of a sheet: every outcome certain under each hypothesis, so that the best plan can be found. */
export interface Cut {
  table: DecisionTable
  p: Float64Array
}

const START: WorkState = { power: 'on', open: [], loosened: [], running: undefined, asFound: false }

const shuffled = <T>(list: readonly T[], next: Random): T[] =>
  list
    .map((x) => [next(), x] as const)
    .sort((a, b) => a[0] - b[0])
    .map(([, x]) => x)

/** Draws 8 to 12 single faults and as many tests that part them; each hypothesis shows its likeliest outcome. */
export function cutMachine(predictor: Predictor, next: Random): Cut {
  const { machine, procedures, accessPaths } = predictor.catalogue
  const size = 8 + Math.floor(next() * 5)
  const complaints = machine.sheet.complaints.map((_, k) => k)
  for (;;) {
    const complaint = complaints[Math.floor(next() * complaints.length)]
    const belief = inferBelief(
      predictor,
      { complaints: [{ complaint, interventions: [] }], readings: [], repairs: [] },
      0,
    )
    const able = predictor.hypotheses.filter(
      (m) => m.activeFaults.length === 1 && predictor.showsComplaint(m, complaint) && belief.posterior[m.index] > 2e-3,
    )
    const hypotheses = shuffled(able, next).slice(0, size)
    if (hypotheses.length < 8) continue
    const tests = shuffled(procedures, next).flatMap((procedure) => {
      const outcomes = testOutcomes(predictor, belief, [procedure])
      const shows = hypotheses.map((m) =>
        outcomes.reduce(
          (best, o, k) => (o.after[m.index] * o.p > outcomes[best].after[m.index] * outcomes[best].p ? k : best),
          0,
        ),
      )
      return new Set(shows).size > 1 ? [{ procedure, shows }] : []
    })
    const taken = tests.slice(0, size)
    if (taken.length < 8) continue
    const from = [START, ...taken.map((t) => accessPaths.from(START, t.procedure).after)]
    return {
      p: Float64Array.from(hypotheses, (m) => m.priorWeight),
      table: {
        costs: RepairCosts.of(machine, predictor.calibration.plan),
        requiredRepairs: hypotheses.map((m) => [m.activeFaults[0].fault.repair]),
        unknownFault: -1,
        outcomes: taken.map(({ shows }) =>
          [...new Set(shows)].map((k) => Float64Array.from(shows, (s) => (s === k ? 1 : 0))),
        ),
        minutes: from.map((f) => Float64Array.from(taken, (t) => accessPaths.from(f, t.procedure).minutes)),
      },
    }
  }
}

interface Step {
  repair?: number
  test?: number
}

/** Splits hypotheses (a bit each) by a step: the cost of the step now, and what is left after each of its outcomes. */
function split(
  { table }: Cut,
  hypotheses: number,
  from: number,
  step: Step,
): { minutes: number; wrongRepair: number; parts: number[]; at: number } {
  const bits = [...table.requiredRepairs.keys()].filter((i) => hypotheses & (1 << i))
  const mask = (own: number[]) => own.reduce((m, i) => m | (1 << i), 0)
  if (step.test !== undefined) {
    const parts = table.outcomes[step.test].map((chance) => mask(bits.filter((i) => chance[i] > 0))).filter((m) => m)
    return { minutes: table.minutes[from][step.test], wrongRepair: 0, parts, at: step.test + 1 }
  }
  const left = mask(bits.filter((i) => table.requiredRepairs[i][0] !== step.repair))
  const { repair, wrongRepair } = table.costs
  return { minutes: repair[step.repair!], wrongRepair: wrongRepair[step.repair!], parts: left ? [left] : [], at: from }
}

const weight = ({ p }: Cut, hypotheses: number): number => p.reduce((s, x, i) => s + (hypotheses & (1 << i) ? x : 0), 0)

/** The least expected minutes, by dynamic programming over which hypotheses are left and which test was last. */
export function optimum(cut: Cut): number {
  const known = new Map<string, number>()
  const repairs = [...new Set(cut.table.requiredRepairs.map((n) => n[0]))]
  const best = (hypotheses: number, from: number): number => {
    if (!hypotheses) return 0
    const key = `${hypotheses}|${from}`
    const before = known.get(key)
    if (before !== undefined) return before
    const mass = weight(cut, hypotheses)
    let least = Infinity
    for (const repair of repairs) {
      const { minutes, wrongRepair, parts, at } = split(cut, hypotheses, from, { repair })
      if (parts[0] === hypotheses) continue
      least = Math.min(
        least,
        mass * minutes + parts.reduce((s, m) => s + wrongRepair * weight(cut, m) + best(m, at), 0),
      )
    }
    cut.table.outcomes.forEach((_, test) => {
      const { minutes, parts, at } = split(cut, hypotheses, from, { test })
      if (parts.length > 1) least = Math.min(least, mass * minutes + parts.reduce((s, m) => s + best(m, at), 0))
    })
    known.set(key, least)
    return least
  }
  const all = (1 << cut.table.requiredRepairs.length) - 1
  return best(all, 0) / weight(cut, all)
}

/** Expected minutes when the planner's choice is followed, asked anew after every outcome. */
export function achieved(cut: Cut): number {
  const { table } = cut
  const go = (hypotheses: number, from: number): number => {
    if (!hypotheses) return 0
    const mass = weight(cut, hypotheses)
    const p = cut.p.map((x, i) => (hypotheses & (1 << i) ? x : 0))
    const here: DecisionTable = { ...table, minutes: [table.minutes[from], ...table.minutes.slice(1)] }
    const [choice] = lookAhead(here, p)
    const step: Step =
      choice && choice.saving > here.minutes[0][choice.test] ? { test: choice.test } : { repair: firstRepair(cut, p) }
    const { minutes, wrongRepair, parts, at } = split(cut, hypotheses, from, step)
    return mass * minutes + parts.reduce((s, m) => s + wrongRepair * weight(cut, m) + go(m, at), 0)
  }
  const all = (1 << table.requiredRepairs.length) - 1
  return go(all, 0) / weight(cut, all)
}

/** The repair that Smith's rule does first: most probability for its cost. */
function firstRepair({ table }: Cut, p: Float64Array): number {
  const mass = new Map<number, number>()
  p.forEach((x, i) => mass.set(table.requiredRepairs[i][0], (mass.get(table.requiredRepairs[i][0]) ?? 0) + x))
  const { repair, wrongRepair } = table.costs
  const due = (r: number) => repair[r] + wrongRepair[r]
  return [...mass].sort((a, b) => b[1] / due(b[0]) - a[1] / due(a[0]))[0][0]
}

export function optimumRows(predictors: readonly Predictor[], machines: number, seed: number): Row[] {
  const next = random(seed)
  const ratios = Array.from({ length: machines }, (_, i) => {
    const cut = cutMachine(predictors[i % predictors.length], next)
    return achieved(cut) / optimum(cut)
  }).sort((a, b) => a - b)
  const mean = ratios.reduce((s, x) => s + x, 0) / ratios.length
  return [
    { what: 'minutes over the optimum, mean', figure: mean, unit: '', most: QUALITY_AIMS.optimum, of: machines },
    {
      what: 'minutes over the optimum, p90',
      figure: ratios[Math.floor(0.9 * ratios.length)],
      unit: '',
      most: 1.2,
      of: machines,
    },
    { what: 'never below the optimum', figure: ratios[0], unit: '', least: 1 - 1e-9 },
  ]
}
