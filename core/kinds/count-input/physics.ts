import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param }, { v }, emit) {
    emit({ type: 'R', a: e.in, b: e.com, ohms: v[param.ohms] })
  },
  signals: {
    counted: {
      about: 'water as the control counts it',
      dimension: 'volume',
      read: (part, live) =>
        live.m[part.mode.life] && live.dcVolts(part.e.in, part.e.com) >= live.v[part.param.hears]
          ? live.of(part, 'meter', 'counted')
          : 0,
    },
  },
}
