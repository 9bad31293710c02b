import { fromSi, DEFAULT_UNIT, type Dimension } from './units'

const SCALED: Partial<Record<Dimension, [number, string][]>> = {
  resistance: [
    [1e6, 'MΩ'],
    [1e3, 'kΩ'],
    [1, 'Ω'],
  ],
  voltage: [[1, 'V']],
  current: [
    [1, 'A'],
    [1e-3, 'mA'],
  ],
  time: [
    [60, 'min'],
    [1, 's'],
  ],
}

/**
 * A number with its unit, three significant digits, no trailing noise: 2700 Ω → `2.7 kΩ`, 118.64 V → `119 V`.
 *
 * @param si the value in SI
 */
export function formatQuantity(si: number, dimension: Dimension): string {
  const { number, unit } = splitQuantity(si, dimension)
  return unit ? `${number} ${unit}` : number
}

/** A value in SI as `formatQuantity` writes it, in two pieces, for places where the number is set large. */
export function splitQuantity(si: number, dimension: Dimension): { number: string; unit: string } {
  const scales = SCALED[dimension]
  if (scales) {
    const threshold = dimension === 'time' ? 120 : 0
    const [factor, unit] =
      scales.find(([f]) => Math.abs(si) >= (f === 60 ? threshold : f) * 0.9995) ?? scales[scales.length - 1]
    const small = dimension === 'current' && Math.abs(si) < 1e-3 ? DEFAULT_UNIT.current : undefined
    return { number: digits(small ? si : si / factor), unit: small ? small.symbol : unit }
  }
  const home = DEFAULT_UNIT[dimension]
  return { number: digits(fromSi(si, home)), unit: home.symbol }
}

function digits(x: number): string {
  if (Math.abs(x) < 0.005) return '0'
  const places = Math.max(0, Math.min(2, 2 - Math.floor(Math.log10(Math.abs(x)))))
  const text = x.toFixed(places)
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text
}
