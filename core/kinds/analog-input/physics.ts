import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param }, { v }, emit) {
    emit({ type: 'R', a: e.in, b: e.com, ohms: v[param.ohms] })
  },
  signals: {
    level: {
      about: 'level as the control believes it',
      dimension: 'length',
      read: ({ e, param }, { v, dcVolts }) =>
        ((dcVolts(e.in, e.com) - v[param['empty-volts']]) / (v[param['full-volts']] - v[param['empty-volts']])) *
        v[param['full-level']],
    },
  },
}
