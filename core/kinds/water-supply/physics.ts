import { plainStretch } from '../plain-stretch'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  heads({ w, param }, { v }, emit) {
    emit(w.street, v[param.pressure])
  },
  temperatures({ w, param }, { v }, emit) {
    emit(w.street, v[param.temperature])
  },
  flow({ w, param }, { v }, emit) {
    emit(plainStretch(w.street, w.out, v[param.passes]))
  },
  signals: {
    conductivity: {
      about: 'how well the water conducts',
      dimension: 'conductivity',
      read: ({ param }, { v }) => v[param.conducts],
    },
  },
}
