import { suspects, type Belief, type Suspect } from '../diagnosis/belief'
import type { Machine } from '../model/machine'
import { formatSuspect, UNKNOWN_FAULT } from '../words'

/** Causes that one would do the same about: what is done, how likely it is the right thing, and what it would cure. */
export interface WorkGroup {
  type: 'repair' | 'unlisted' | 'healthy' | 'pairs'
  title: string
  p: number
  /** Price of the parts that it takes; 0 where it takes none. */
  price: number
  /** The likeliest of them. */
  causes: string[]
}

/** Nothing lighter than this has a row. */
const ROW_FROM = 0.01
/** Most causes named in a group, and most groups. */
const MOST_CAUSES = 3
const MOST_GROUPS = 6

/** What one would do as things stand, the likeliest first; what is not on the sheet stands where its length puts it. */
export function workGroups(machine: Machine, list: readonly Suspect[], belief: Belief): WorkGroup[] {
  const repairOf = new Map(machine.faults.map((f) => [f.id, f.repair]))
  const groups = new Map<string, WorkGroup>()
  for (const s of list) {
    const repairs = [...new Set(s.faults.map((f) => repairOf.get(f.id)!))].sort((a, b) => a - b)
    const key = repairs.join('+')
    const own: WorkGroup = groups.get(key) ?? {
      type: repairs.length ? 'repair' : 'healthy',
      title: repairs.length
        ? repairs.map((r) => machine.sheet.repairs[r].title).join(' and ')
        : 'nothing wrong with it',
      p: 0,
      price: repairs.reduce((sum, r) => sum + machine.sheet.repairs[r].price, 0),
      causes: [],
    }
    own.p += s.p
    if (s.faults.length && own.causes.length < MOST_CAUSES && s.p >= ROW_FROM) own.causes.push(formatSuspect(s.faults))
    groups.set(key, own)
  }
  const other = (type: WorkGroup['type'], title: string, p: number): WorkGroup => ({
    type,
    title,
    p,
    price: 0,
    causes: [],
  })
  return [
    ...groups.values(),
    other('unlisted', 'something else, not on the sheet', belief.unknownFault),
    other('pairs', 'two faults at once', belief.truncatedMass),
  ]
    .filter((g) => g.p >= ROW_FROM)
    .sort((a, b) => b.p - a.p)
    .slice(0, MOST_GROUPS)
}

/** Parts from which on a name is worth saying beside the likeliest, and most of them. */
const BESIDE_FROM = 0.15
const MOST_NAMES = 3

/** Whom shares point to: the parts of their faults, the likeliest first. */
export function pointsTo(machine: Machine, shares: readonly Suspect[], unknownFault: number): string[] {
  const byTitle = new Map<string, number>()
  const add = (title: string, p: number) => byTitle.set(title, (byTitle.get(title) ?? 0) + p)
  for (const s of shares)
    add(s.faults.length ? s.faults.map((f) => machine.parts[f.part].title).join(' and ') : 'nothing wrong', s.p)
  add(UNKNOWN_FAULT, unknownFault)
  const sorted = [...byTitle].sort((a, b) => b[1] - a[1])
  return sorted
    .filter(([, p], i) => i === 0 || p >= BESIDE_FROM)
    .slice(0, MOST_NAMES)
    .map(([title]) => title)
}

/** Whom a belief points to. */
export const beliefPointsTo = (machine: Machine, belief: Belief): string[] =>
  pointsTo(machine, suspects(belief), belief.unknownFault)
