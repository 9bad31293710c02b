import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.winding] === 0) return
    emit({
      type: 'T',
      a: e.p1,
      b: e.p2,
      c: e.s1,
      d: e.s2,
      ohms: v[param['primary-ohms']],
      ohms2: v[param['secondary-ohms']],
      henries: v[param.henries],
      ratio: v[param.ratio],
    })
  },
}
