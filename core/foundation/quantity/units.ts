/**
 * Dimensions and units. Inside the engine every number is SI; texts carry units.
 * `toSi(x) = x · factor + offset`.
 */
export type Dimension =
  | 'resistance'
  | 'voltage'
  | 'current'
  | 'power'
  | 'time'
  | 'pressure'
  | 'flow'
  | 'length'
  | 'area'
  | 'volume'
  | 'temperature'
  | 'kelvin'
  | 'conductivity'
  | 'frequency'
  | 'ratio'
  | 'rate'
  | 'capacitance'
  | 'inductance'
  | 'money'
  | 'count'

export interface UnitOfMeasure {
  symbol: string
  dimension: Dimension
  factor: number
  offset?: number
}

const u = (symbol: string, dimension: Dimension, factor: number, offset?: number): UnitOfMeasure => ({
  symbol,
  dimension,
  factor,
  offset,
})

const LITRE = 1e-3
const US_GALLON = 3.785411784e-3
const PSI = 6894.757293168

export const UNITS: readonly UnitOfMeasure[] = [
  ...[
    ['', 1],
    ['k', 1e3],
    ['M', 1e6],
    ['m', 1e-3],
  ].flatMap(([p, f]) => ['Ω', 'ohm', 'ohms'].map((s) => u(`${p}${s}`, 'resistance', f as number))),
  u('V', 'voltage', 1),
  u('mV', 'voltage', 1e-3),
  u('kV', 'voltage', 1e3),
  u('A', 'current', 1),
  u('mA', 'current', 1e-3),
  u('W', 'power', 1),
  u('kW', 'power', 1e3),
  u('VA', 'power', 1),
  u('kVA', 'power', 1e3),
  u('s', 'time', 1),
  u('sec', 'time', 1),
  u('ms', 'time', 1e-3),
  u('min', 'time', 60),
  u('h', 'time', 3600),
  u('Pa', 'pressure', 1),
  u('kPa', 'pressure', 1e3),
  u('bar', 'pressure', 1e5),
  u('mbar', 'pressure', 1e2),
  u('psi', 'pressure', PSI),
  u('L/min', 'flow', LITRE / 60),
  u('l/min', 'flow', LITRE / 60),
  u('gpm', 'flow', US_GALLON / 60),
  u('m', 'length', 1),
  u('cm', 'length', 1e-2),
  u('mm', 'length', 1e-3),
  u('in', 'length', 0.0254),
  u('ft', 'length', 0.3048),
  u('m²', 'area', 1),
  u('cm²', 'area', 1e-4),
  u('mm²', 'area', 1e-6),
  u('L', 'volume', LITRE),
  u('l', 'volume', LITRE),
  u('mL', 'volume', LITRE / 1000),
  u('gal', 'volume', US_GALLON),
  u('fl oz', 'volume', US_GALLON / 128),
  u('°C', 'temperature', 1),
  u('C', 'temperature', 1),
  u('°F', 'temperature', 5 / 9, (-32 * 5) / 9),
  u('F', 'temperature', 5 / 9, (-32 * 5) / 9),
  u('K', 'kelvin', 1),
  u('µS/cm', 'conductivity', 1e-4),
  u('mS/cm', 'conductivity', 0.1),
  u('Hz', 'frequency', 1),
  u('kHz', 'frequency', 1e3),
  u('%', 'ratio', 0.01),
  u('/year', 'rate', 1),
  u('µF', 'capacitance', 1e-6),
  u('nF', 'capacitance', 1e-9),
  u('H', 'inductance', 1),
  u('mH', 'inductance', 1e-3),
  u('money', 'money', 1),
]

/** The unit in which a bare number of this dimension is written and read. */
export const DEFAULT_UNIT: Record<Dimension, UnitOfMeasure> = Object.fromEntries(
  (
    [
      ['resistance', 'Ω'],
      ['voltage', 'V'],
      ['current', 'A'],
      ['power', 'W'],
      ['time', 's'],
      ['pressure', 'bar'],
      ['flow', 'L/min'],
      ['length', 'mm'],
      ['area', 'cm²'],
      ['volume', 'L'],
      ['temperature', '°C'],
      ['kelvin', 'K'],
      ['conductivity', 'µS/cm'],
      ['frequency', 'Hz'],
      ['ratio', '%'],
      ['rate', '/year'],
      ['capacitance', 'µF'],
      ['inductance', 'H'],
      ['money', 'money'],
    ] as const
  ).map(([dimension, symbol]) => [dimension, UNITS.find((x) => x.symbol === symbol)!]),
) as Record<Dimension, UnitOfMeasure>
DEFAULT_UNIT.count = u('', 'count', 1)

/** The unit of a symbol as people write it (`kΩ`, `bar`, `°C`, `l/min`); `undefined` where no unit has it. */
export const findUnit = (symbol: string): UnitOfMeasure | undefined =>
  UNITS.find((x) => x.symbol === symbol) ?? UNITS.find((x) => x.symbol.toLowerCase() === symbol.toLowerCase())

/** A value in a unit as its value in SI; temperatures of °F and °C with their offsets. */
export const toSi = (value: number, unit: UnitOfMeasure): number => value * unit.factor + (unit.offset ?? 0)
/** A value in SI as its value in a unit: the inverse of `toSi`. */
export const fromSi = (si: number, unit: UnitOfMeasure): number => (si - (unit.offset ?? 0)) / unit.factor
