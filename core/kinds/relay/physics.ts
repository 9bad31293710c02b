import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.coil]) emit({ type: 'RL', a: e.a, b: e.b, ohms: v[param.ohms], henries: v[param.henries] })
    const ohms = v[param['contact-ohms']]
    if (m[mode.armature] === 0) emit({ type: 'R', a: e.com, b: e.nc, ohms })
    else if (m[mode.no]) emit({ type: 'R', a: e.com, b: e.no, ohms })
  },
  react({ e, param, mode }, live, want) {
    const volts = live.m[mode.coil] ? live.volts(e.a, e.b) : 0
    const pulled = live.m[mode.armature] === 1
    if (!pulled && volts >= live.v[param['pull-in']]) want(mode.armature, 1)
    if (pulled && volts < live.v[param['drop-out']]) want(mode.armature, 0)
  },
  signals: { pulled: { about: 'it pulls in', read: ({ mode }, { m }) => m[mode.armature] } },
  active: 'pulled',
}
