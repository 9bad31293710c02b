import { STEAM_HEAT, WATER_HEAT } from '../../physics/water'
import type { Part, PointView } from './contract'

/** What an element gives off as it stands, W. Terminals `a` and `b`, param `ohms`, mode `element`. */
export const wattsOf = (part: Part, point: PointView): number =>
  point.modes[part.mode.element] ? point.volts(part.nodes.a, part.nodes.b) ** 2 / point.values[part.param.ohms] : 0

/** Adds what an element gives to the vessel that it stands `in`. */
export function heatVessel(part: Part, point: PointView, derivatives: Float64Array): void {
  const vessel = point.referred(part, 'in')
  if (!vessel || !point.modes[part.mode.element]) return
  const watts = wattsOf(part, point)
  // Boiling water gets no hotter: what the surroundings do not take leaves as steam, with the warmth it had.
  if (point.referredSignal(part, 'in', 'boils')) {
    const above = point.referredSignal(part, 'in', 'temperature') - point.ambient
    const kept = Math.min(watts, point.values[vessel.param.loses] * above)
    const steam = (watts - kept) / STEAM_HEAT
    derivatives[vessel.state.volume] -= steam
    derivatives[vessel.state.warmth] += kept / WATER_HEAT - steam * above
  } else derivatives[vessel.state.warmth] += watts / WATER_HEAT
}
