import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param }, { v }, emit) {
    emit({ type: 'VAC', a: e.L, b: e.N, ohms: v[param.ohms], volts: v[param.volts] })
  },
  signals: {
    volts: { about: 'volts at the supply point', dimension: 'voltage', read: ({ e }, live) => live.volts(e.L, e.N) },
  },
}
