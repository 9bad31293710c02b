import type { TraceForm } from './contract'

/** A trace is known by its first rows. */
const LOOKED_AT = 60
/** Words of loggers for what is beyond their range. */
const OVER = /^[-+]?(?:ol|ovld|over|overload|o\.l|inf|9\.9e\+?37)$/i
/** Meters send this for what is beyond their range. */
const OVERLOAD = 9.9e37
const CLOCK = /^\d{1,3}:\d{2}(?::\d{2}(?:[.,]\d+)?)?$/
const DATE = /^\d{4}-\d{2}-\d{2}[ T]\d{2}:\d{2}(?::\d{2}(?:[.,]\d+)?)?(?:Z|[+-]\d{2}:?\d{2})?$/

/** A number as a logger writes it; NaN where nothing was read, `undefined` where it is none. */
export function cellNumber(cell: string, decimal: '.' | ','): number | undefined {
  const value = Number(decimal === ',' ? cell.replace(',', '.') : cell)
  // Nearly every cell is such: half a million of them are asked for little.
  if (value < OVERLOAD && value > -OVERLOAD && value !== 0) return value
  // Spaces round a number are no part of it, and nothing but spaces is none.
  if (value === 0) return cell.trim() === '' ? NaN : value
  if (Number.isFinite(value)) return Infinity
  return OVER.test(cell.trim()) ? Infinity : undefined
}

/** Seconds of a time of day, or of minutes and seconds. */
function clockSeconds(cell: string): number {
  const parts = cell.trim().replace(',', '.').split(':').map(Number)
  return parts.length === 2 ? parts[0]! * 60 + parts[1]! : parts[0]! * 3600 + parts[1]! * 60 + parts[2]!
}

/** A time as it stands in a cell, s; `undefined` where it is none. */
export function cellTime(cell: string, form: Pick<TraceForm, 'timeIs' | 'decimal'>): number | undefined {
  if (form.timeIs === 'seconds') {
    const value = cellNumber(cell, form.decimal)
    return value !== undefined && Number.isFinite(value) ? value : undefined
  }
  const own = cell.trim()
  if (form.timeIs === 'clock') return CLOCK.test(own) ? clockSeconds(own) : undefined
  if (form.timeIs === 'date') {
    if (!DATE.test(own)) return undefined
    const at = Date.parse(own.replace(' ', 'T').replace(/(\d),(\d)/, '$1.$2'))
    return Number.isNaN(at) ? undefined : at / 1000
  }
  return undefined
}

/** Nothing but numbers, times, and what loggers write where there is none. */
const isData = (cells: readonly string[], decimal: '.' | ','): boolean =>
  cells.some((c) => c.trim() !== '') &&
  cells.every((c) => cellNumber(c, decimal) !== undefined || CLOCK.test(c.trim()) || DATE.test(c.trim()))

const hasNumber = (cells: readonly string[], decimal: '.' | ','): boolean =>
  cells.some((c) => Number.isFinite(cellNumber(c, decimal) ?? NaN))

/** The longest stretch of rows at the end that are numbers, all of one width. */
function dataFrom(rows: readonly string[][], decimal: '.' | ','): number {
  let from = rows.length
  while (from > 0 && isData(rows[from - 1]!, decimal) && rows[from - 1]!.length === rows.at(-1)!.length) from--
  return from
}

/** How time is written in a column: a clock, a date, or seconds that only grow. */
function timeIn(
  rows: readonly string[][],
  column: number,
  decimal: '.' | ',',
  name: string,
): TraceForm['timeIs'] | undefined {
  const cells = rows.map((r) => r[column]!.trim())
  if (cells.every((c) => CLOCK.test(c))) return 'clock'
  if (cells.every((c) => DATE.test(c))) return 'date'
  const values = cells.map((c) => cellNumber(c, decimal) ?? NaN)
  const grows = values.every((v, i) => Number.isFinite(v) && (i === 0 || v > values[i - 1]!))
  return grows && (column === 0 || /time|zeit|sec|^t$/i.test(name)) ? 'seconds' : undefined
}

/**
 * Finds out how a trace is written from its beginning: separator, decimal comma or point, titles, time.
 *
 * @param text the beginning of the file, some kilobytes; its last row may be cut
 * @returns `undefined` where nothing in it is a row of numbers
 */
export function traceForm(text: string): TraceForm | undefined {
  const lines = text.split(/\r?\n/)
  const whole = (lines.length > 1 ? lines.slice(0, -1) : lines).slice(0, LOOKED_AT)
  // Empty lines at the end say nothing of how the others are written.
  while (whole.length && whole.at(-1)!.trim() === '') whole.pop()
  let best: { form: TraceForm; rows: number; width: number } | undefined
  for (const delimiter of ['\t', ';', ','] as const)
    for (const decimal of ['.', ','] as const) {
      if (delimiter === decimal) continue
      const rows = whole.map((l) => l.split(delimiter).map((c) => c.replace(/^"|"$/g, '')))
      const skip = rows.length ? dataFrom(rows, decimal) : 0
      const data = rows.slice(skip)
      if (!data.some((r) => hasNumber(r, decimal))) continue
      const width = data[0]!.length
      const titles = rows[skip - 1]
      const names = titles?.length === width ? titles.map((n) => n.trim()) : []
      const found = Array.from({ length: width }, (_, c) => timeIn(data, c, decimal, names[c] ?? ''))
      const timeColumn = width > 1 ? found.findIndex((t) => t !== undefined) : -1
      const timeIs = timeColumn < 0 ? ('rows' as const) : found[timeColumn]!
      const better = !best || data.length > best.rows || (data.length === best.rows && width > best.width)
      if (better) best = { form: { delimiter, decimal, skip, names, timeColumn, timeIs }, rows: data.length, width }
    }
  return best?.form
}
