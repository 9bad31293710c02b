import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  flow({ w, param, mode }, { v, m }, emit) {
    // A hole lets everything through, grit as well.
    emit(linkOfKv(w.in, w.out, v[param.passes] * (m[mode.mesh] ? v[param.clear] : 1.5)))
  },
  signals: {
    dirty: { about: 'it is clogged', read: ({ param }, { v }) => (v[param.clear] < 0.5 ? 1 : 0) },
    torn: { about: 'its mesh is torn', read: ({ mode }, { m }) => 1 - m[mode.mesh] },
  },
}
