import { v7 as uuidv7 } from 'uuid'
import { withoutGuard } from '../../../core/foundation/csv'
import { parseMoney } from '../../../core/foundation/money'
import { minorUnits } from '../../../core/words'
import { PART_COLUMNS, partFields, type PartFields } from '../../../shared/contracts/parts'
import type { Person } from '../../../shared/contracts/session'
import { inTransaction } from '../../platform/database'
import { listSheets } from '../sheets/service'
import { partsByNumber, writePart } from './repository'

type Row = Record<string, string>

/** Several things in one cell stand with semicolons between. */
const several = (cell = '') =>
  cell
    .split(';')
    .map((x) => x.trim())
    .filter(Boolean)

/** One row as a part, or everything that is wrong with it. */
function readRow(
  row: Row,
  currency: string,
  sheets: ReadonlySet<string>,
): PartFields | [column: string, message: string][] {
  const cells = Object.fromEntries(
    Object.entries(row).map(([k, v]) => [k.trim().toLowerCase(), withoutGuard(v.trim())]),
  )
  const wrong: [string, string][] = Object.keys(cells)
    .filter((c) => !PART_COLUMNS.some((x) => x === c))
    .map((c) => [c, `There is no column ${c}: ${PART_COLUMNS.join(', ')}.`])
  for (const must of ['number', 'title']) if (!cells[must]) wrong.push([must, 'This is missing.'])
  const fits = several(cells.fits)
  for (const sheet of fits) if (!sheets.has(sheet)) wrong.push(['fits', `No sheet is called ${sheet}.`])
  const price = cells.price ? parseMoney(cells.price, minorUnits(currency)) : null
  if (price === undefined || (price ?? 0) < 0) wrong.push(['price', 'An amount, as 38 or 38.50.'])
  const reorder = cells['reorder at'] || '0'
  if (!/^\d{1,4}$/.test(reorder)) wrong.push(['reorder at', 'A whole number from 0.'])
  if (wrong.length) return wrong
  const { number, title, kind = '', volts = '', degrees = '', contact = '', thread = '' } = cells
  const read = partFields.safeParse({
    number,
    title,
    kind,
    fits,
    kit: several(cells.kit),
    substitutes: several(cells.substitutes),
    volts,
    degrees,
    contact,
    thread,
    priceMinor: price,
    reorderAt: Number(reorder),
  })
  return read.success ? read.data : read.error.issues.map((i) => [String(i.path[0] ?? ''), i.message])
}

/** Parts from the rows of a file: all of them, or none where one is wrong. A number that is there already is written anew. */
export async function importParts(who: Person, given: readonly Row[], commit: boolean) {
  const sheets = new Set((await listSheets()).map((s) => s.id))
  const there = await partsByNumber(who.organisation)
  const problems: { row: number; column: string; message: string }[] = []
  const seen = new Map<string, number>()
  const parts = given.flatMap((row, i) => {
    const read = readRow(row, who.currency, sheets)
    if (Array.isArray(read)) {
      problems.push(...read.map(([column, message]) => ({ row: i + 1, column, message })))
      return []
    }
    const key = read.number.toLowerCase()
    const earlier = seen.get(key)
    if (earlier !== undefined)
      problems.push({ row: i + 1, column: 'number', message: `The same number stands in row ${earlier}.` })
    else seen.set(key, i + 1)
    return [read]
  })
  const changed = parts.filter((p) => there.has(p.number.toLowerCase())).length
  if (!commit || problems.length) return { made: 0, changed: commit ? 0 : changed, problems }
  await inTransaction(async (transaction) => {
    for (const p of parts)
      await writePart(
        who.organisation,
        there.get(p.number.toLowerCase()) ?? uuidv7(),
        { ...p, retired: false },
        transaction,
      )
  })
  return { made: parts.length - changed, changed, problems }
}
