import type { Outlook } from '../../../core/advice'
import { atLeast, packVan, type CallNeed } from '../../../core/stock'
import { minorUnits } from '../../../core/words'
import type { Person } from '../../../shared/contracts/session'
import { awaitedParts } from '../jobs/service'
import { partsByNumbers } from '../parts/service'
import { listVisits, outlookOf } from './service'

/** Parts that no call needs more likely than this are not named where the catalogue lacks them. */
const WORTH_NAMING = 0.03

type Need = Outlook['needs'][number]

/** What one call may need: what it has on order for certain, else what the engine holds likely. */
async function needsOfCall(who: Person, job: string): Promise<Need[]> {
  const ordered = await awaitedParts(who, job)
  if (ordered.length) return ordered.map((p) => ({ repair: '', ...p, chance: 1, price: 0 }))
  return (await outlookOf(who, job)).needs
}

/** One line for each part of a call: two repairs that take the same part need it where either does; they exclude each other. */
function byPart(needs: readonly Need[]): CallNeed[] {
  const chances = new Map<string, number>()
  for (const { number, chance } of needs)
    if (number !== undefined) {
      const key = number.toLowerCase()
      chances.set(key, Math.min(1, (chances.get(key) ?? 0) + chance))
    }
  return [...chances].map(([part, chance]) => ({ part, chance }))
}

/** What a person's day is likely to need, from the engine's own chances, within what the van may carry in money. */
export async function packForDay(
  who: Person,
  { person, day, budget }: { person: string; day: string; budget: number },
) {
  const { visits } = await listVisits(who, { from: day, days: 1 })
  const calls = visits.filter((v) => v.person === person && v.job !== null && v.ended === null)
  const needs = await Promise.all(calls.map((v) => needsOfCall(who, v.job!)))
  const perCall = needs.map(byPart)
  const known = await partsByNumbers(who, [...new Set(perCall.flat().map((n) => n.part))])
  const inVan = (stock: readonly { store: string; count: number }[], store: string) =>
    Math.max(0, stock.find((s) => s.store === store)?.count ?? 0)
  const units = minorUnits(who.currency)
  const priceOf = (number: string) =>
    Math.max(0, ...needs.flat().flatMap((n) => (n.number?.toLowerCase() === number ? [n.price * units] : [])))
  const packed = packVan(
    perCall,
    known.map((p) => ({
      part: p.number.toLowerCase(),
      minor: p.priceMinor ?? Math.round(priceOf(p.number.toLowerCase())),
      inVan: inVan(p.stock, person),
    })),
    budget,
  )
  const have = new Set(known.map((p) => p.number.toLowerCase()))
  const lacking = new Map<string, { title: string; number: string | null; chances: number[] }>()
  for (const n of needs.flat()) {
    if (n.number !== undefined && have.has(n.number.toLowerCase())) continue
    const key = n.number ?? n.title
    const own = lacking.get(key) ?? { title: n.title, number: n.number ?? null, chances: [] }
    own.chances.push(n.chance)
    lacking.set(key, own)
  }
  return {
    calls: calls.length,
    packed: packed.map(({ part: number, ...p }) => {
      const own = known.find((k) => k.number.toLowerCase() === number)!
      return { ...p, part: own.id, number: own.number, title: own.title, inShop: inVan(own.stock, 'shop') }
    }),
    minor: packed.reduce((sum, p) => sum + p.count * p.minor, 0),
    unknown: [...lacking.values()]
      .map(({ chances, ...l }) => ({ ...l, chance: atLeast(chances)[0] ?? 0 }))
      .filter((l) => l.chance >= WORTH_NAMING)
      .sort((a, b) => b.chance - a.chance)
      .slice(0, 12),
  }
}
