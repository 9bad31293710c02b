import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.mated] === 0) return
    emit({ type: 'R', a: e.a1, b: e.b1, ohms: v[param.ohms] })
    emit({ type: 'R', a: e.a2, b: e.b2, ohms: v[param['return-ohms']] })
  },
}
