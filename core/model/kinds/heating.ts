import { STEAM_HEAT, WATER_HEAT } from '../../physics/water'
import type { Part, PointView } from './contract'

/** What an element gives off as it stands, W. Terminals `a` and `b`, param `ohms`, mode `element`. */
export const wattsOf = (part: Part, point: PointView): number =>
  point.modes[part.mode.element] ? point.volts(part.nodes.a, part.nodes.b) ** 2 / point.values[part.param.ohms] : 0

/** Adds what an element gives to the vessel that it stands `in`. */
export function heatVessel(part: Part, point: PointView, derivatives: Float64Array): void {
  if (point.modes[part.mode.element]) giveHeat(part, point, derivatives, wattsOf(part, point))
}

/** Adds a power, W, to the vessel that a part stands `in`, where there is one. */
export function giveHeat(part: Part, point: PointView, derivatives: Float64Array, watts: number): void {
  const vessel = point.referred(part, 'in')
  if (!vessel) return
  // Boiling water gets no hotter: what the surroundings do not take leaves as steam, with the warmth it had. Under a lid it does:
  // what leaves there leaves by the ways that steam has.
  if (vessel.choice.lid === 'open' && point.referredSignal(part, 'in', 'boils')) {
    const above = point.referredSignal(part, 'in', 'temperature') - point.ambient
    const kept = Math.min(watts, point.values[vessel.param.loses] * above)
    const steam = (watts - kept) / STEAM_HEAT
    derivatives[vessel.state.volume] -= steam
    derivatives[vessel.state.warmth] += kept / WATER_HEAT - steam * above
  } else derivatives[vessel.state.warmth] += watts / WATER_HEAT
}
