import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.winding]) emit({ type: 'RL', a: e.a, b: e.b, ohms: v[param.ohms], henries: v[param.henries] })
  },
  react({ e, param, mode }, live, want) {
    const volts = live.m[mode.winding] ? live.volts(e.a, e.b) : 0
    const turning = live.m[mode.turning] === 1
    if (!turning && volts >= live.v[param.starts]) want(mode.turning, 1)
    if (turning && volts < live.v[param.starts] * 0.6) want(mode.turning, 0)
  },
  signals: { runs: { about: 'it turns', read: ({ mode }, { m }) => m[mode.turning] } },
  active: 'runs',
}
