import { costToGo, type Costs } from './costs'

/**
 * A decision as a table: which members there are, what each test would show under each, what everything costs.
 * Knows no machine; the planner fills it from predictions, and it can be filled by hand.
 */
export interface DecisionTable {
  costs: Costs
  /** Repairs that each member needs; none where no repair of the sheet helps. */
  requiredRepairs: readonly (readonly number[])[]
  /** Place of "something else" among the members, -1 when it is left out. */
  unknownFault: number
  /** For each test, for each of its outcomes, the chance of it under each member. */
  outcomes: readonly (readonly Float64Array[])[]
  /** Minutes of a test: row 0 from where one stands, row k + 1 right after test k. */
  minutes: readonly Float64Array[]
}

/** A test is taken when it saves at least this, min. */
const WORTH = 0.05
/** In the simple rule that rollouts follow, share of its minutes that a test must save at one step. */
const PATIENCE = 0.5
/** Below this share of the whole an outcome is not followed further. */
const FOLLOWED = 0.01
const DEEPEST = 5
/** Tests tried at the root. */
const TRIED = 8

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

const toGo = (
  { costs, requiredRepairs: requiredRepairs, unknownFault: other }: DecisionTable,
  p: Float64Array,
): number => costToGo(costs, requiredRepairs, p, other < 0 ? 0 : p[other])

/** Fall of the cost to the right repair when a test is taken and nothing after it, for each test; weights as in `p`. */
export function savings(table: DecisionTable, p: Float64Array, used: ReadonlySet<number> = new Set()): Float64Array {
  const now = toGo(table, p)
  return Float64Array.from(table.outcomes, (own, t) =>
    used.has(t) || own.length < 2 ? 0 : now - own.reduce((s, chance) => s + toGo(table, after(p, chance)), 0),
  )
}

/**
 * Expected minutes to the right repair under the simple rule: the test of greatest saving per minute as long as one
 * saves half its minutes, then the repairs.
 */
function rolloutCost(
  table: DecisionTable,
  p: Float64Array,
  from: number,
  used: Set<number>,
  floor: number,
  depth: number,
): number {
  const now = toGo(table, p)
  const mass = massOf(p)
  if (depth === 0 || mass < floor) return now
  const gain = savings(table, p, used)
  let best = -1
  for (let t = 0; t < gain.length; t++) {
    if (gain[t] <= PATIENCE * table.minutes[from][t] * mass) continue
    if (best < 0 || gain[t] / table.minutes[from][t] > gain[best] / table.minutes[from][best]) best = t
  }
  if (best < 0) return now
  // Nobody has to go on where that turns out dearer than the repairs.
  return Math.min(now, mass * table.minutes[from][best] + costAfterTest(table, p, best, used, floor, depth - 1))
}

function costAfterTest(
  table: DecisionTable,
  p: Float64Array,
  test: number,
  used: Set<number>,
  floor: number,
  depth: number,
): number {
  used.add(test)
  let cost = 0
  for (const chance of table.outcomes[test]) cost += rolloutCost(table, after(p, chance), test + 1, used, floor, depth)
  used.delete(test)
  return cost
}

export interface Choice {
  test: number
  /** Minutes of later cost it is expected to save, what follows it counted in. */
  saving: number
}

/**
 * Tests by what they save, best first: one step is tried, and what follows each outcome is played out under the simple
 * rule (rollout: Bertsekas, Tsitsiklis & Wu 1997). A test whose saving is less than its minutes is not worth taking.
 *
 * @param p weight of each member; need not sum to one
 * @returns the tests tried at the root, by net saving; savings per unit of weight
 */
export function lookAhead(table: DecisionTable, p: Float64Array): Choice[] {
  const mass = massOf(p)
  if (mass === 0) return []
  const now = toGo(table, p)
  const gain = savings(table, p)
  const [first] = table.minutes
  const candidates = [...gain.keys()]
    .filter((t) => gain[t] > WORTH * mass)
    .sort((a, b) => gain[b] / first[b] - gain[a] / first[a] || a - b)
    .slice(0, TRIED)
  return candidates
    .map((test) => {
      const later = costAfterTest(table, p, test, new Set(), FOLLOWED * mass, DEEPEST)
      return { test, saving: (now - later) / mass }
    })
    .sort((a, b) => b.saving - first[b.test] - (a.saving - first[a.test]) || a.test - b.test)
}
