import { STEAM_HEAT, WATER_HEAT } from '../../physics/water'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.element]) emit({ type: 'R', a: e.a, b: e.b, ohms: v[param.ohms] })
  },
  rates(part, live, dx) {
    const vessel = live.referred(part, 'in')
    if (!vessel || !live.m[part.mode.element]) return
    const watts = live.volts(part.e.a, part.e.b) ** 2 / live.v[part.param.ohms]
    // Boiling water gets no hotter: it leaves as steam, with the warmth it had.
    if (live.of(part, 'in', 'boils')) {
      const steam = watts / STEAM_HEAT
      dx[vessel.state.volume] -= steam
      dx[vessel.state.warmth] -= steam * (live.of(part, 'in', 'temperature') - live.ambient)
    } else dx[vessel.state.warmth] += watts / WATER_HEAT
  },
  signals: { heats: { about: 'element carries its current', read: (part, live) => (live.amps(part) > 0.2 ? 1 : 0) } },
  active: 'heats',
}
