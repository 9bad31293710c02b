import { minorUnits } from '../../../core/words'
import type { Part } from '../../../shared/contracts/parts'

const HEAD = [
  'number',
  'title',
  'kind',
  'fits',
  'kit',
  'substitutes',
  'volts',
  'degrees',
  'contact',
  'thread',
  'price',
  'reorder at',
]

/** Parts as a file that the import takes back; money in units of the currency. RFC 4180. */
export function partsCsv(parts: readonly Part[], currency: string): string {
  const units = minorUnits(currency)
  const digits = Math.round(Math.log10(units))
  const field = (text: string) => (/[",\r\n;]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
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
  return [HEAD, ...rows].map((r) => `${r.map(field).join(',')}\r\n`).join('')
}
