import { v7 as uuidv7 } from 'uuid'
import { z } from 'zod'
import { withoutGuard } from '../../../core/foundation/csv'
import { line } from '../../../shared/contracts/contract'
import type { Person } from '../../../shared/contracts/session'
import { CUSTOMER_COLUMNS, UNIT_COLUMNS, unitFields, type UnitFields } from '../../../shared/contracts/units'
import { inTransaction } from '../../platform/database'
import { listSheets } from '../sheets/service'
import { ensureCustomer, ensureSite, insertUnits, listCustomers, listUnits } from './repository'

type Row = Record<string, string>
interface WrongCell {
  row: number
  column: string
  message: string
}

const MUST: ReadonlySet<string> = new Set(['title', 'sheet', 'customer', 'site'])

const plain = (text: string) => text.trim().toLowerCase()

/** What tells one machine from another at one place. */
const keyOf = (u: { customer: string; site: string; title: string; serial: string }) =>
  plain(`${u.customer}|${u.site}|${u.title}|${u.serial}`)

/** The cells of a row by their columns; a column that there is none of is said. */
function cellsOf(row: Row, columns: readonly string[], say: (column: string, message: string) => void): Row {
  const cells = Object.fromEntries(Object.entries(row).map(([k, v]) => [plain(k), withoutGuard(v.trim())]))
  for (const column of Object.keys(cells))
    if (!columns.includes(column)) say(column, `There is no column ${column}: ${columns.join(', ')}.`)
  return cells
}

/** Reads rows as units; a sheet may be given by its id or by its title. */
function readRows(rows: readonly Row[], sheets: readonly { id: string; title: string }[], there: ReadonlySet<string>) {
  const problems: WrongCell[] = []
  const units: UnitFields[] = []
  const seen = new Map<string, number>()
  rows.forEach((row, i) => {
    const say = (column: string, message: string) => problems.push({ row: i + 1, column, message })
    const cells = cellsOf(row, UNIT_COLUMNS, say)
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

/** Which customers and places of some rows are not there yet, by name. */
async function newPlaces(organisation: string, rows: readonly { customer: string; site: string }[]) {
  const there = await listCustomers(organisation)
  const sitesThere = new Set(there.flatMap((c) => c.sites.map((s) => `${c.name}, ${s.name}`)))
  const customersThere = new Set(there.map((c) => c.name))
  const fresh = (names: string[], known: ReadonlySet<string>) => [...new Set(names)].filter((n) => !known.has(n))
  return {
    newCustomers: fresh(
      rows.map((r) => r.customer),
      customersThere,
    ),
    newSites: fresh(
      rows.filter((r) => r.site).map((r) => `${r.customer}, ${r.site}`),
      sitesThere,
    ),
  }
}

/** Units from the rows of a file: all of them, or none where one is wrong. */
export async function importUnits(who: Person, rows: readonly Row[], commit: boolean) {
  const known = new Set((await listUnits(who.organisation, [], true)).map(keyOf))
  const { problems, units } = readRows(rows, await listSheets(), known)
  const answer = { made: 0, problems, ...(await newPlaces(who.organisation, units)) }
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

/** Customers and places from the rows of a file: all of them, or none where a row is wrong. */
export async function importCustomers(who: Person, rows: readonly Row[], commit: boolean) {
  const problems: WrongCell[] = []
  const seen = new Map<string, number>()
  const places = rows.flatMap((row, i) => {
    const say = (column: string, message: string) => problems.push({ row: i + 1, column, message })
    const before = problems.length
    const { customer = '', site = '' } = cellsOf(row, CUSTOMER_COLUMNS, say)
    if (!customer) say('customer', 'This is missing.')
    const read = z.object({ customer: unitFields.shape.customer, site: line(120, 0) }).safeParse({ customer, site })
    if (customer && !read.success)
      for (const issue of read.error.issues) say(String(issue.path[0] ?? ''), issue.message)
    const key = plain(`${customer}|${site}`)
    const earlier = seen.get(key)
    if (earlier !== undefined) say('site', `The same place stands in row ${earlier}.`)
    else seen.set(key, i + 1)
    return problems.length > before ? [] : [{ customer, site }]
  })
  const fresh = await newPlaces(who.organisation, places)
  const names = new Set([...fresh.newCustomers, ...fresh.newSites])
  const isNew = (p: { customer: string; site: string }) => names.has(p.site ? `${p.customer}, ${p.site}` : p.customer)
  const answer = { problems, ...fresh, there: places.filter((p) => !isNew(p)).length }
  if (!commit || problems.length) return answer
  await inTransaction(async (t) => {
    for (const { customer, site } of places) {
      if (site) await ensureSite(who.organisation, customer, site, uuidv7, t)
      else await ensureCustomer(who.organisation, customer, uuidv7, t)
    }
  })
  return answer
}
