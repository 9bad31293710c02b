import type { Machine } from '../model/machine'
import { withShopHistory } from '../model/machine'
import { experienceFrom, windingTests, type ShopRecord } from '../statistics'
import type { Engine } from './engine'

/** What a shop's closed jobs have taught of machines of one sheet, beside what the sheet says. */
export interface Remembered {
  /** Years that such machines were looked after, all together, and jobs that were closed with a repair. */
  machineYears: number
  jobs: number
  /** Windings that are read by themselves: the published band, and what good ones have shown. SI. */
  windings: {
    test: string
    title: string
    band: { least: number; most: number } | undefined
    known: readonly number[]
  }[]
  /** Repairs by their share of all calls: as the sheet has it, and with what was found counted in; the furthest moved first. */
  rates: { repair: string; title: string; cases: number; book: number; now: number }[]
}

/** A share that moved by less is not worth a line. */
const WORTH_A_LINE = 0.002

/** Share of the calls of a year that end with each repair, by id. */
function sharesOf({ faults, sheet }: Machine): Map<string, number> {
  const all = faults.reduce((sum, f) => sum + f.ratePerYear, 0)
  const shares = new Map<string, number>()
  for (const f of faults) {
    const { id } = sheet.repairs[f.repair]
    shares.set(id, (shares.get(id) ?? 0) + f.ratePerYear / all)
  }
  return shares
}

/**
 * What the shop remembers of such machines.
 *
 * @param book the engine of the sheet as it stands, without anything that the shop has seen
 */
export function remembered(book: Engine, record: ShopRecord): Remembered {
  const { machine } = book
  const { knownGood, shopHistory } = experienceFrom(machine, record)
  const [before, after] = [sharesOf(machine), sharesOf(withShopHistory(machine, shopHistory))]
  const cases = new Map<string, number>()
  for (const { repair } of record.jobs) cases.set(repair, (cases.get(repair) ?? 0) + 1)
  const windings = windingTests(machine).flatMap(({ test, param, nominal }) => {
    const procedure = book.catalogue.procedures.find((p) => p.id === test)
    if (!procedure) return []
    const value = { type: 'value', si: nominal } as const
    const [verdict] = book.advise([{ type: 'reading', test, value, instrument: undefined }], undefined, 0).verdicts
    const band = verdict?.band && { least: verdict.band.low, most: verdict.band.high }
    return [{ test, title: book.titleOf(procedure), band, known: knownGood[param] ?? [] }]
  })
  const rates = machine.sheet.repairs
    .map(({ id, title }) => ({
      repair: id,
      title,
      cases: cases.get(id) ?? 0,
      book: before.get(id) ?? 0,
      now: after.get(id) ?? 0,
    }))
    .filter((r) => r.cases > 0 || Math.abs(r.now - r.book) >= WORTH_A_LINE)
    .sort((a, b) => Math.abs(b.now - b.book) - Math.abs(a.now - a.book))
  return { machineYears: record.machineYears, jobs: record.jobs.length, windings, rates }
}
