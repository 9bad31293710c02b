import { csvOf } from '../../../core/foundation/csv'
import { minorUnits } from '../../../core/words'
import { PART_COLUMNS, type Part } from '../../../shared/contracts/parts'

/** Parts as a file that the import takes back; money in units of the currency. */
export function partsCsv(parts: readonly Part[], currency: string): string {
  const units = minorUnits(currency)
  const digits = Math.round(Math.log10(units))
  const rows = parts.map((p) => [
    p.number,
    p.title,
    p.kind,
    p.fits.join('; '),
    p.kit.join('; '),
    p.substitutes.join('; '),
    p.volts,
    p.degrees,
    p.contact,
    p.thread,
    p.priceMinor === null ? '' : (p.priceMinor / units).toFixed(digits),
    String(p.reorderAt),
  ])
  return csvOf([PART_COLUMNS, ...rows])
}
