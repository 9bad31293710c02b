import { plainStretch } from '../plain-stretch'
import type { KindPhysics } from '../contract'



export const physics: KindPhysics = {
  flow({ w, param }, { v }, emit) {
    emit(plainStretch(w.in, w.out, v[param.passes] * (1 - v[param.blocked])))
  },
  signals: { kinked: { about: 'hose kinked', read: ({ param }, { v }) => (v[param.blocked] > 0.3 ? 1 : 0) } },
}
