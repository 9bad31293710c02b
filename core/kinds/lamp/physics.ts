import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.filament]) emit({ type: 'R', a: e.a, b: e.b, ohms: v[param.ohms] })
  },
  signals: {
    lit: {
      about: 'it is lit',
      read: ({ e, param, mode }, live) =>
        live.m[mode.filament] && live.volts(e.a, e.b) >= live.v[param.lights] ? 1 : 0,
    },
  },
  active: 'lit',
}
