import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  flow({ w, param, mode }, { v, m }, emit) {
    if (m[mode.open]) emit(linkOfKv(w.in, w.out, v[param.passes]))
  },
  signals: { open: { about: 'it is open', read: ({ mode }, { m }) => m[mode.open] } },
}
