import { WATER_HEAT } from '../../water'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.element]) emit({ t: 'R', a: e.a, b: e.b, ohms: v[param.ohms] })
  },
  rates(part, live, dx) {
    const vessel = live.referred(part, 'in')
    if (!vessel || !live.m[part.mode.element]) return
    const volts = live.volts(part.e.a, part.e.b)
    dx[vessel.state.warmth] += volts ** 2 / live.v[part.param.ohms] / WATER_HEAT
  },
  signals: { heats: { about: 'element carries its current', read: (part, live) => (live.amps(part) > 0.2 ? 1 : 0) } },
  active: 'heats',
}
