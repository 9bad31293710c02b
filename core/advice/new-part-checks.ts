import type { ReadingShape } from '../foundation/quantity'
import { benchChecksOf, usualWorkOf, type Machine, type Range } from '../model/machine'
import { describeNewPartCheck } from '../words'
import { repairedParts } from './repair-acts'

/** What is checked of a new part before it goes in. Facts with their words, for a screen. */
export interface NewPartCheck {
  /** `part.check`, or `matches` for the part as a whole. */
  id: string
  title: string
  how: string
  shape: ReadingShape
  /** What a good one shows: a range, SI; or the answer. */
  good: { type: 'range'; least: number; most: number } | { type: 'answer'; is: 'yes' }
}

export type NewPartSort = 'ohms' | 'open-at-rest' | 'closed-at-rest' | 'moves' | 'matches'

/** How the contact of a part stands that is felt by nothing: below its trip, or cold. */
function contactAtRest(machine: Machine, part: number): 'open-at-rest' | 'closed-at-rest' | undefined {
  const { choice } = machine.parts[part]
  const { modes = [] } = machine.kinds[part]
  if (modes.some((m) => m.stays && m.values.includes('tripped'))) return 'closed-at-rest'
  if (choice['on-rise'] !== undefined) return choice['on-rise'] === 'closes' ? 'open-at-rest' : 'closed-at-rest'
  // A thermostat that opens cold stands closed in a room as well.
  return choice.opens === undefined ? undefined : 'closed-at-rest'
}

/** Whether a repair puts something new in: by its work where the sheet or the kinds name one, else by its price. */
function fitsNewPart(machine: Machine, repair: number): boolean {
  const { notes, price, id } = machine.sheet.repairs[repair]
  if (price <= 0) return false
  if (notes.work !== undefined) return notes.work === 'replace'
  const own = machine.sheet.faults.filter((f) => f.repair === id)
  return !own.length || own.some((f) => f.cure === 'replace' || f.cure === undefined)
}

/**
 * What of the new part of a repair is proved before it goes in: its ohms where it has a winding, how its contact stands at
 * rest, that it moves, and that it is the part that belongs there.
 *
 * @param repair index of the repair
 * @returns nothing where the repair puts no new part in
 */
export function newPartChecks(machine: Machine, repair: number): NewPartCheck[] {
  if (machine.sheet.repairs[repair].licensed !== undefined || !fitsNewPart(machine, repair)) return []
  // Of a cable or a hose with several parts on it only what is renewed is measured: that whose usual work it is, or the only one.
  const all = repairedParts(machine, repair)
  const main = usualWorkOf(machine, repair)?.part
  const parts = main === undefined || all.length === 1 ? all : [main]
  const yes = { type: 'answer', is: 'yes' } as const
  const asked = (part: number, sort: NewPartSort): NewPartCheck => ({
    id: `${machine.parts[part].id}.${sort}`,
    ...describeNewPartCheck(sort, machine.parts[part].title),
    shape: { type: 'yes-no' },
    good: yes,
  })
  const own = parts.flatMap((part): NewPartCheck[] => {
    const { windings = [] } = machine.kinds[part]
    const { param, id, title } = machine.parts[part]
    const ohms = windings.map((name): NewPartCheck => {
      const { nominal, sd } = machine.params[param[name]]
      const [least, most]: Range = [Math.max(0, nominal - 2 * sd), nominal + 2 * sd]
      return {
        id: windings.length > 1 ? `${id}.ohms.${name}` : `${id}.ohms`,
        ...describeNewPartCheck('ohms', title, [least, most]),
        shape: { type: 'number', dimension: 'resistance' },
        good: { type: 'range', least, most },
      }
    })
    const rest = contactAtRest(machine, part)
    const moves = benchChecksOf(machine, part).some((c) => c.type === 'dipped' || c.type === 'air')
    return [...ohms, ...(rest ? [asked(part, rest)] : []), ...(moves ? [asked(part, 'moves')] : [])]
  })
  const matches: NewPartCheck = {
    id: 'matches',
    ...describeNewPartCheck('matches', machine.sheet.repairs[repair].title),
    shape: { type: 'yes-no' },
    good: yes,
  }
  return [matches, ...own]
}
