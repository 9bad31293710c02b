import { STEAM_HEAT, WATER_HEAT } from '../../physics/water'
import type { FaultTemplate, KindInterface, Part, PointView } from './contract'

/** Steam over boiling water at 100 °C stands at the pressure of the air; so much absolute, Pa. */
const ATMOSPHERE = 101_325
const KELVIN = 273.15
const BOILS_AT = 100
/** Heat of evaporation by mole over the gas constant, K (40.65 kJ/mol; Clausius and Clapeyron, within 2 % up to 130 °C). */
const EVAPORATION = 4889
/** What evaporating takes from water would cool it by so many kelvin. */
const EVAPORATING_COOLS = STEAM_HEAT / WATER_HEAT
/** Water left at which nothing is evaporated any more, m³. */
const BOILED_DRY = 2e-5
const BAR = 1e5
/** Steam that is seen, as water, m³/s. */
const SEEN = 0.005e-3 / 60

/** Gauge pressure of steam over water of a temperature, Pa; 0 below boiling. `celsius` up to about 180. */
export const steamPressure = (celsius: number): number =>
  celsius <= BOILS_AT
    ? 0
    : ATMOSPHERE * (Math.exp(EVAPORATION * (1 / (BOILS_AT + KELVIN) - 1 / (celsius + KELVIN))) - 1)

/** Pressure of the steam in the boiler that a part refers to under `of`, Pa gauge. */
export const pressureBefore = (part: Part, point: PointView): number =>
  steamPressure(point.referredSignal(part, 'of', 'temperature'))

/** Steam through a way, as the water it was, m³/s: in proportion to the pressure before it. */
export const steamFlow = (part: Part, point: PointView, kv: number): number =>
  point.referredSignal(part, 'of', 'volume') > BOILED_DRY ? (kv * pressureBefore(part, point)) / BAR : 0

/** Takes from the boiler what leaves as steam, with the heat of its evaporation. */
export function takeSteam(part: Part, point: PointView, flow: number, derivatives: Float64Array): void {
  const boiler = point.referred(part, 'of')!
  const above = point.referredSignal(part, 'of', 'temperature') - point.ambient
  derivatives[boiler.state.volume] -= flow
  derivatives[boiler.state.warmth] -= flow * (above + EVAPORATING_COOLS)
}

export const blows = (flow: number): number => (flow > SEEN ? 1 : 0)

export const steamWayParams = {
  passes: {
    description: 'steam through it, as the water it was, at 1 bar above the air',
    dimension: 'flow',
    min: 1e-9,
  },
  clear: { dimension: 'ratio', typical: '100 %', min: 1e-6, max: 1 },
} satisfies KindInterface['params']

export const steamWayBlocked = (title: string): FaultTemplate => ({
  title,
  effects: [{ param: 'clear', to: 'severity' }],
  severity: { from: 0.02, to: 0.15, scale: 'log' },
  ratePerYear: 0.015,
  saidWith: { slowly: 0.4 },
  cure: 'clean',
})
