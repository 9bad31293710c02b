import { problem } from '../foundation/issues'
import { err, ok, type Result } from '../foundation/result'
import { findUnit, fromSi, toSi, UNITS, type Dimension } from '../foundation/quantity'
import { awgArea } from './tools/wire'

export interface Converted {
  dimension: Dimension
  /** The same quantity in every unit of its kind, none twice. */
  rows: readonly { symbol: string; number: number }[]
}

const QUANTITY = /^([-+−]?(?:\d+(?:[.,]\d*)?|[.,]\d+))\s*(.+)$/u
const GAUGE = /^(?:AWG\s*(\d{1,2})|(\d{1,2})\s*AWG)$/iu
/** Gauges that wires are sold in. */
const GAUGES = Array.from({ length: 41 }, (_, n) => n)

/** Unit symbols that say the same as one before them. */
const DOUBLES = new Set([
  'ohm',
  'ohms',
  'kohm',
  'kohms',
  'Mohm',
  'Mohms',
  'mohm',
  'mohms',
  'l',
  'l/min',
  'C',
  'F',
  'sec',
  'VA',
  'kVA',
])

/**
 * One quantity in all its units: `38 psi`, `68F`, `2.5 mm²`, `AWG 18`.
 *
 * @returns an area in AWG as well, the next gauge that has at least so much copper; a problem `bad-quantity` where number or unit is
 *   not understood
 */
export function convert(text: string): Result<Converted> {
  const plain = text.trim()
  const gauge = GAUGE.exec(plain)
  const match = QUANTITY.exec(plain)
  const unit = match && findUnit(match[2]!.trim())
  const wrong = () =>
    err(
      problem('bad-quantity', [], {
        found: plain || 'nothing',
        expected: 'a number with its unit, such as 38 psi, 68 °F or AWG 18',
      }),
    )
  if (!gauge && !unit) return wrong()
  const si = gauge
    ? awgArea(Number(gauge[1] ?? gauge[2]))
    : toSi(Number(match![1]!.replace(',', '.').replace('−', '-')), unit!)
  if (!Number.isFinite(si)) return wrong()
  const dimension = gauge ? 'area' : unit!.dimension
  const rows = UNITS.filter((u) => u.dimension === dimension && !DOUBLES.has(u.symbol)).map((u) => ({
    symbol: u.symbol,
    number: fromSi(si, u),
  }))
  // The thinnest gauge that is still as thick.
  const thick = dimension === 'area' ? GAUGES.findLast((n) => awgArea(n) >= si * 0.999) : undefined
  return ok({ dimension, rows: [...rows, ...(thick === undefined ? [] : [{ symbol: 'AWG', number: thick }])] })
}
