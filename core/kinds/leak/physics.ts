import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  flow({ w, param, mode }, { v, m }, emit) {
    if (m[mode.seal] === 0) emit({ ...linkOfKv(w.in, w.out, v[param.passes]), oneWay: true })
  },
  signals: { weeps: { about: 'it weeps', read: ({ mode }, { m }) => 1 - m[mode.seal] } },
}
