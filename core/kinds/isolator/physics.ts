import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.closed] === 0) return
    emit({ type: 'R', a: e.Lin, b: e.Lout, ohms: v[param.ohms] })
    emit({ type: 'R', a: e.Nin, b: e.Nout, ohms: v[param.ohms] })
  },
}
