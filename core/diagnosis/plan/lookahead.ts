import { STANDARD, type Calibration } from '../calibration'
import type { RepairCosts } from './costs'

/**
 * A decision as a table: which hypotheses there are, what each test would show under each, what everything costs.
 * Knows no machine; the planner fills it from predictions, and it can be filled by hand.
 */
export interface DecisionTable {
  costs: RepairCosts
  /** Repairs that each hypothesis needs; none where no repair of the sheet helps. */
  requiredRepairs: readonly (readonly number[])[]
  /** Place of the unknown fault among the hypotheses, -1 when it is left out. */
  unknownFault: number
  /** For each test, for each of its outcomes, the chance of it under each hypothesis. */
  outcomes: readonly (readonly Float64Array[])[]
  /** Minutes of a test: row 0 from where one stands, row k + 1 right after test k. */
  minutes: readonly Float64Array[]
}

export interface Choice {
  test: number
  /** Minutes of later cost it is expected to save, what follows it counted in. */
  saving: number
}

function massOf(p: Float64Array): number {
  let sum = 0
  for (let i = 0; i < p.length; i++) sum += p[i]
  return sum
}

function after(p: Float64Array, chance: Float64Array): Float64Array {
  const out = new Float64Array(p.length)
  for (let i = 0; i < p.length; i++) out[i] = p[i] * chance[i]
  return out
}

const costToGo = ({ costs, requiredRepairs, unknownFault }: DecisionTable, p: Float64Array): number =>
  costs.toGo(requiredRepairs, p, unknownFault < 0 ? 0 : p[unknownFault])

/** Fall of the cost to the right repair when a test is taken and nothing after it, for each test; weights as in `p`. */
function savings(table: DecisionTable, p: Float64Array, used: ReadonlySet<number> = new Set()): Float64Array {
  const now = costToGo(table, p)
  return Float64Array.from(table.outcomes, (own, t) =>
    used.has(t) || own.length < 2 ? 0 : now - own.reduce((s, chance) => s + costToGo(table, after(p, chance)), 0),
  )
}

/** Plays out what follows a test under a simple rule. */
class Rollout {
  private readonly used = new Set<number>()

  /** @param followedFrom weight below which an outcome is not followed further */
  constructor(
    private readonly table: DecisionTable,
    private readonly followedFrom: number,
    private readonly minSavingRatio: number,
  ) {}

  /** Expected minutes after a test, over its outcomes. */
  costAfter(p: Float64Array, test: number, depth: number): number {
    this.used.add(test)
    let cost = 0
    for (const chance of this.table.outcomes[test]) cost += this.cost(after(p, chance), test + 1, depth)
    this.used.delete(test)
    return cost
  }
  /**
   * Expected minutes to the right repair under the simple rule: the test of greatest saving per minute as long as one
   * saves a good share of its minutes, then the repairs.
   */
  private cost(p: Float64Array, from: number, depth: number): number {
    const { table } = this
    const now = costToGo(table, p)
    const mass = massOf(p)
    if (depth === 0 || mass < this.followedFrom) return now
    const minutes = table.minutes[from]
    const gain = savings(table, p, this.used)
    let best = -1
    for (let t = 0; t < gain.length; t++) {
      if (gain[t] <= this.minSavingRatio * minutes[t] * mass) continue
      if (best < 0 || gain[t] / minutes[t] > gain[best] / minutes[best]) best = t
    }
    if (best < 0) return now
    // Nobody has to go on where that turns out dearer than the repairs.
    return Math.min(now, mass * minutes[best] + this.costAfter(p, best, depth - 1))
  }
}

/** Tests tried at the root: those that save most by the minute at one step. */
function savingMost(table: DecisionTable, p: Float64Array, { minSaving, tried }: Calibration['plan']): number[] {
  const gain = savings(table, p)
  const [first] = table.minutes
  return [...gain.keys()]
    .filter((t) => gain[t] > minSaving * massOf(p))
    .sort((a, b) => gain[b] / first[b] - gain[a] / first[a] || a - b)
    .slice(0, tried)
}

/**
 * Tests by what they save, best first: one step is tried, and what follows each outcome is played out under the simple
 * rule (rollout: Bertsekas, Tsitsiklis & Wu 1997). A test whose saving is less than its minutes is not worth taking.
 *
 * @param p weight of each hypothesis; need not sum to one
 * @param roots tests tried at the root; those that save most at one step when left out
 * @returns the tests tried at the root, by net saving; savings per unit of weight
 */
export function lookAhead(
  table: DecisionTable,
  p: Float64Array,
  c: Calibration['plan'] = STANDARD.plan,
  roots: readonly number[] = savingMost(table, p, c),
): Choice[] {
  const mass = massOf(p)
  if (mass === 0) return []
  const now = costToGo(table, p)
  const [first] = table.minutes
  const rollout = new Rollout(table, c.followedFrom * mass, c.minSavingRatio)
  return roots
    .map((test) => ({ test, saving: (now - rollout.costAfter(p, test, c.deepest)) / mass }))
    .sort((a, b) => b.saving - first[b.test] - (a.saving - first[a.test]) || a.test - b.test)
}
