import { v7 as uuidv7 } from 'uuid'
import type { Person } from '../../../shared/contracts/session'
import { unitFields, type UnitFields } from '../../../shared/contracts/units'
import { inTransaction } from '../../platform/database'
import { listSheets } from '../sheets/service'
import { ensureSite, insertUnits, listCustomers, listUnits } from './repository'

type Row = Record<string, string>
interface WrongCell {
  row: number
  column: string
  message: string
}

const COLUMNS = ['title', 'serial', 'sheet', 'customer', 'site'] as const
const MUST: ReadonlySet<string> = new Set(['title', 'sheet', 'customer', 'site'])

const plain = (text: string) => text.trim().toLowerCase()

/** What tells one machine from another at one place. */
const keyOf = (u: { customer: string; site: string; title: string; serial: string }) =>
  plain(`${u.customer}|${u.site}|${u.title}|${u.serial}`)

/** Reads rows as units; a sheet may be given by its id or by its title. */
function readRows(rows: readonly Row[], sheets: readonly { id: string; title: string }[], there: ReadonlySet<string>) {
  const problems: WrongCell[] = []
  const units: UnitFields[] = []
  const seen = new Map<string, number>()
  rows.forEach((row, i) => {
    const say = (column: string, message: string) => problems.push({ row: i + 1, column, message })
    const cells = Object.fromEntries(Object.entries(row).map(([k, v]) => [plain(k), v.trim()]))
    for (const column of Object.keys(cells))
      if (!COLUMNS.some((c) => c === column)) say(column, `There is no column ${column}: ${COLUMNS.join(', ')}.`)
    const before = problems.length
    for (const column of MUST) if (!cells[column]) say(column, 'This is missing.')
    const sheet = sheets.find(
      (s) => plain(s.id) === plain(cells.sheet ?? '') || plain(s.title) === plain(cells.sheet ?? ''),
    )
    if (cells.sheet && !sheet) say('sheet', `No sheet is called ${cells.sheet}.`)
    if (problems.length > before) return
    const read = unitFields.safeParse({
      title: cells.title,
      serial: cells.serial ?? '',
      sheet: sheet!.id,
      customer: cells.customer,
      site: cells.site,
    })
    if (!read.success) {
      for (const issue of read.error.issues) say(String(issue.path[0] ?? ''), issue.message)
      return
    }
    const key = keyOf(read.data)
    if (there.has(key)) say('title', 'This machine is there already.')
    const earlier = seen.get(key)
    if (earlier !== undefined) say('title', `The same machine stands in row ${earlier}.`)
    else seen.set(key, i + 1)
    units.push(read.data)
  })
  return { problems, units }
}

/** Units from the rows of a file: all of them, or none where one is wrong. */
export async function importUnits(who: Person, rows: readonly Row[], commit: boolean) {
  const known = new Set((await listUnits(who.organisation, [], true)).map(keyOf))
  const { problems, units } = readRows(rows, await listSheets(), known)
  const there = await listCustomers(who.organisation)
  const sitesThere = new Set(there.flatMap((c) => c.sites.map((s) => `${c.name}, ${s.name}`)))
  const customersThere = new Set(there.map((c) => c.name))
  const fresh = (names: string[], known: ReadonlySet<string>) => [...new Set(names)].filter((n) => !known.has(n))
  const answer = {
    made: 0,
    problems,
    newCustomers: fresh(
      units.map((u) => u.customer),
      customersThere,
    ),
    newSites: fresh(
      units.map((u) => `${u.customer}, ${u.site}`),
      sitesThere,
    ),
  }
  if (!commit || problems.length) return answer
  await inTransaction(async (t) => {
    const sites = new Map<string, string>()
    for (const u of units) {
      const key = `${u.customer}\n${u.site}`
      if (!sites.has(key)) sites.set(key, await ensureSite(who.organisation, u.customer, u.site, uuidv7, t))
    }
    await insertUnits(
      units.map(({ title, serial, sheet, customer, site }) => ({
        id: uuidv7(),
        organisationId: who.organisation,
        siteId: sites.get(`${customer}\n${site}`)!,
        title,
        serial,
        sheet,
      })),
      t,
    )
  })
  return { ...answer, made: units.length }
}
