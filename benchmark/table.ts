/** One line of the table; `most` and `least` are its aim. */
export interface Row {
  what: string
  figure: number
  unit: string
  most?: number
  least?: number
  /** How many cases stand behind it. */
  of?: number
  /** 95 % interval. */
  interval?: { low: number; high: number }
}

/** Prints rows; an aim that is not reached says so. */
export function printRows(title: string, rows: readonly Row[]): void {
  console.log(`\n${title}`)
  for (const { what, figure, unit, most, least, of, interval } of rows) {
    const value = Number.isFinite(figure) ? figure.toFixed(Math.abs(figure) < 10 ? 2 : 1) : '–'
    const reached = (most === undefined || figure <= most) && (least === undefined || figure >= least)
    const aim = most !== undefined ? `at most ${most}` : least !== undefined ? `at least ${least}` : ''
    const verdict = aim && Number.isFinite(figure) ? (reached ? `reached (${aim})` : `NOT REACHED (${aim})`) : ''
    const count = of === undefined ? '' : ` of ${of}`
    const range = interval ? ` (${interval.low.toFixed(1)} to ${interval.high.toFixed(1)})` : ''
    console.log(`  ${what.padEnd(48)}${`${value} ${unit}`.padStart(14)}${range}${count.padEnd(8)} ${verdict}`.trimEnd())
  }
}

/** Prints one line a sheet; a figure that misses its aim has a star. */
export function printOverview(sheets: readonly { id: string; cells: readonly Row[] }[]): void {
  const [first] = sheets
  if (!first) return
  console.log(`\n${'sheet'.padEnd(18)}${first.cells.map((c) => c.what.padStart(14)).join('')}`)
  for (const { id, cells } of sheets) {
    const said = cells.map(({ figure, most, least }) => {
      const reached = (most === undefined || figure <= most) && (least === undefined || figure >= least)
      const value = Number.isFinite(figure) ? figure.toFixed(Math.abs(figure) < 10 ? 2 : 0) : '–'
      return `${value}${reached || !Number.isFinite(figure) ? ' ' : '*'}`.padStart(14)
    })
    console.log(`${id.padEnd(18)}${said.join('')}`)
  }
  console.log('* not reached')
}
