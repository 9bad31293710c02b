import { DEFAULT_UNIT, fromSi, type Dimension } from './units'

/** The units in which somebody reads; what is typed is understood in either. */
export const UNIT_SYSTEMS = ['metric', 'us'] as const
export type UnitSystem = (typeof UNIT_SYSTEMS)[number]

/** From so many SI on, so many SI to one of these; the largest first. */
type Scale = readonly (readonly [from: number, factor: number, symbol: string, offset?: number])[]

const METRIC: Partial<Record<Dimension, Scale>> = {
  resistance: [
    [1e6, 1e6, 'MΩ'],
    [1e3, 1e3, 'kΩ'],
    [0, 1, 'Ω'],
  ],
  current: [
    [1, 1, 'A'],
    [0, 1e-3, 'mA'],
  ],
  power: [
    [1e3, 1e3, 'kW'],
    [0, 1, 'W'],
  ],
  time: [
    [7200, 3600, 'h'],
    [120, 60, 'min'],
    [0, 1, 's'],
  ],
  pressure: [[0, 1e5, 'bar']],
  flow: [[0, 1e-3 / 60, 'L/min']],
  length: [
    [3, 1, 'm'],
    [0, 1e-3, 'mm'],
  ],
  area: [
    [1e-4, 1e-4, 'cm²'],
    [0, 1e-6, 'mm²'],
  ],
  volume: [
    [1e-3, 1e-3, 'L'],
    [0, 1e-6, 'mL'],
  ],
  temperature: [[-Infinity, 1, '°C', 0]],
  kelvin: [[0, 1, 'K']],
}

const GALLON = 3.785411784e-3
const US: Partial<Record<Dimension, Scale>> = {
  ...METRIC,
  pressure: [[0, 6894.757293168, 'psi']],
  flow: [[0, GALLON / 60, 'gpm']],
  length: [
    [3, 0.3048, 'ft'],
    [0, 0.0254, 'in'],
  ],
  volume: [
    [GALLON / 4, GALLON, 'gal'],
    [0, GALLON / 128, 'fl oz'],
  ],
  temperature: [[-Infinity, 5 / 9, '°F', 32]],
  kelvin: [[0, 5 / 9, '°F']],
}

/** So many significant digits, no trailing noise, never an exponent. */
function digits(x: number, significant: number): string {
  if (x === 0 || Math.abs(x) < 5e-7) return '0'
  const places = Math.max(0, Math.min(6, significant - 1 - Math.floor(Math.log10(Math.abs(x)))))
  const text = x.toFixed(places)
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text
}

/**
 * A quantity in the units of a system, three significant digits where nothing else is said.
 *
 * @param beside the value whose unit is taken: that of the number itself unless it is the ± of another
 * @param si in SI; a difference of temperatures is of dimension `kelvin`
 * @example formatIn(2.6e5, 'pressure', 'us') // "37.7 psi"
 */
export function formatIn(si: number, dimension: Dimension, system: UnitSystem, significant = 3, beside = si): string {
  const scale = (system === 'us' ? US : METRIC)[dimension]
  if (!scale) {
    const unit = DEFAULT_UNIT[dimension]
    return `${digits(fromSi(si, unit), significant)}${unit.symbol ? ` ${unit.symbol}` : ''}`
  }
  const [, factor, symbol, offset = 0] = scale.find(([from]) => Math.abs(beside) >= from * 0.9995) ?? scale.at(-1)!
  return `${digits(si / factor + offset, significant)} ${symbol}`
}

const HOME: Record<UnitSystem, Partial<Record<Dimension, string>>> = {
  metric: {},
  us: { pressure: 'psi', flow: 'gpm', length: 'in', volume: 'gal', temperature: '°F' },
}

/** The unit that a bare number is taken in. @param long a length of metres or feet rather than millimetres or inches */
export function homeUnit(dimension: Dimension, system: UnitSystem, long = false): string {
  if (dimension === 'length' && long) return system === 'us' ? 'ft' : 'm'
  return HOME[system][dimension] ?? DEFAULT_UNIT[dimension].symbol
}
