import type { Dimension } from '../../../foundation/quantity'
import type { Kind } from '../../kinds'
import type { Path, ProblemCollector } from './problem-collector'

/** What a tech sheet says of a part in place of its values, by what the kind is rated by. */
export const RATINGS: Readonly<Record<NonNullable<Kind['rated']>, Readonly<Record<string, Dimension>>>> = {
  coil: { 'rated-volts': 'voltage', 'rated-power': 'power' },
  heater: { 'rated-volts': 'voltage', 'rated-power': 'power' },
  tank: { litres: 'volume' },
}

/** Share of a coil's impedance on alternating current that is its resistance, where the sheet does not say. */
const RESISTIVE = 0.52
/** A coil with its plunger out has so much of the inductance that it has with it in. */
const OUT = 0.4
/** Share of its rated volts at which a coil pulls, and lets go. */
const PULLS = 0.67
const LETS_GO = 0.27
/** Inductance of a coil on direct current over its resistance, s. */
const DC_TIME = 0.006
/** Below this a rating is one of a battery, V. */
const BATTERY = 20

/** Worked out from a rating: as text, as a sheet would write it. */
type WorkedOut = Record<string, string>

const text = (value: number, unit: string, tolerance: number): string =>
  `${value.toPrecision(3)} ${unit} ±${tolerance} %`

/** A coil of so many volts that takes so much power while it holds, VA or on direct current W. */
function coil(volts: number, power: number, ohms: number | undefined, hertz: number): WorkedOut {
  const impedance = volts ** 2 / power
  const out: WorkedOut = { 'pull-in': text(PULLS * volts, 'V', 12), 'drop-out': text(LETS_GO * volts, 'V', 25) }
  const resistance = ohms ?? (volts <= BATTERY ? impedance : RESISTIVE * impedance)
  const reactance = Math.sqrt(Math.max(impedance ** 2 - resistance ** 2, (0.2 * impedance) ** 2))
  const henries = volts <= BATTERY ? DC_TIME * resistance : reactance / (2 * Math.PI * hertz)
  return {
    ohms: text(resistance, 'Ω', 12),
    'henries-in': text(henries, 'H', 25),
    'henries-out': text(OUT * henries, 'H', 25),
    ...out,
  }
}

/**
 * A part as its sheet writes it, with what follows from its ratings worked out; what the sheet says itself stays.
 *
 * @param hertz of the supply
 * @returns the part with the names of what was worked out: assumed, with a wide tolerance
 */
export function withRatings(
  collector: ProblemCollector,
  kind: Kind,
  written: Record<string, unknown>,
  hertz: number,
  at: (field: string) => Path,
): { part: Record<string, unknown>; assumed: readonly string[] } {
  const fields = kind.rated === undefined ? {} : RATINGS[kind.rated]
  const given = Object.keys(fields).filter((name) => name in written)
  if (!given.length) return { part: written, assumed: [] }
  const rest = Object.fromEntries(Object.entries(written).filter(([name]) => !(name in fields)))
  const lacking = Object.keys(fields).filter((name) => !(name in written))
  if (lacking.length)
    collector.report('missing', at(given[0]), { found: `${given[0]} without ${lacking[0]}`, expected: lacking[0] })
  const value = (name: string, dimension: Dimension) => collector.quantity(written[name], dimension, at(name)).value
  const own = (name: string, dimension: Dimension) => (name in written ? value(name, dimension) : undefined)
  const [first, second] = Object.entries(fields).map(([name, dimension]) => {
    if (lacking.includes(name)) return 1
    const rating = value(name, dimension)
    if (rating > 0) return rating
    collector.report('out-of-range', at(name), { found: String(written[name]), expected: 'more than 0' })
    return 1
  })
  const worked = ((): WorkedOut => {
    if (kind.rated === 'coil') return coil(first, second, own('ohms', 'resistance'), hertz)
    if (kind.rated === 'heater')
      return { ohms: text(first ** 2 / second, 'Ω', 7), ...('watts' in kind.params ? { watts: `${second} W` } : {}) }
    const height = own('height', 'length')
    return height === undefined ? {} : { area: text((first / height) * 1e4, 'cm²', 8) }
  })()
  return { part: { ...worked, ...rest }, assumed: Object.keys(worked).filter((name) => !(name in rest)) }
}
