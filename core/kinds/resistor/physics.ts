import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.body]) emit({ type: 'R', a: e['1'], b: e['2'], ohms: v[param.ohms] })
  },
}
