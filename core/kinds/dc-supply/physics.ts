import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param }, { v }, emit) {
    emit({ type: 'VDC', a: e.plus, b: e.minus, ohms: v[param.ohms], volts: v[param.volts] })
  },
  signals: {
    volts: {
      about: 'volts at the supply point',
      dimension: 'voltage',
      read: ({ e }, live) => live.volts(e.plus, e.minus),
    },
  },
}
