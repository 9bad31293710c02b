import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  flow({ w, param }, { v }, emit) {
    emit(linkOfKv(w.in, w.out, v[param.passes] * v[param.clear]))
  },
  signals: { kinked: { about: 'it is kinked', read: ({ param }, { v }) => (v[param.clear] < 0.5 ? 1 : 0) } },
}
