import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param }, { v }, emit) {
    emit({ type: 'R', a: e.L, b: e.N, ohms: v[param.ohms] })
  },
  signals: {
    powered: {
      about: 'the control wakes up',
      read: ({ e, param, mode }, live) => (live.m[mode.life] && live.volts(e.L, e.N) >= live.v[param.wakes] ? 1 : 0),
    },
  },
  active: 'powered',
}
