import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  fixedPressures({ w, param }, { v }, emit) {
    emit(w.street, v[param.pressure])
  },
  temperatures({ w, param }, { v }, emit) {
    emit(w.street, v[param.temperature])
  },
  flow({ w, param }, { v }, emit) {
    emit(linkOfKv(w.street, w.out, v[param.passes]))
  },
  signals: {
    conductivity: {
      about: 'how well the water conducts',
      dimension: 'conductivity',
      read: ({ param }, { v }) => v[param.conducts],
    },
  },
}
