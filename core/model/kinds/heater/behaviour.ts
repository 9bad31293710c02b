import { STEAM_HEAT, WATER_HEAT } from '../../../physics/water'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.element]) emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] })
  },
  rates(part, point, derivatives) {
    const vessel = point.referred(part, 'in')
    if (!vessel || !point.modes[part.mode.element]) return
    const watts = point.volts(part.nodes.a, part.nodes.b) ** 2 / point.values[part.param.ohms]
    // Boiling water gets no hotter: what the surroundings do not take leaves as steam, with the warmth it had.
    if (point.referredSignal(part, 'in', 'boils')) {
      const above = point.referredSignal(part, 'in', 'temperature') - point.ambient
      const kept = Math.min(watts, point.values[vessel.param.loses] * above)
      const steam = (watts - kept) / STEAM_HEAT
      derivatives[vessel.state.volume] -= steam
      derivatives[vessel.state.warmth] += kept / WATER_HEAT - steam * above
    } else derivatives[vessel.state.warmth] += watts / WATER_HEAT
  },
  signals: {
    heats: { description: 'element carries its current', read: (part, point) => (point.amps(part) > 0.2 ? 1 : 0) },
  },
  active: 'heats',
}
