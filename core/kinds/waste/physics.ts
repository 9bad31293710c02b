import { PASCALS_PER_METRE } from '../../water'
import { plainStretch } from '../plain-stretch'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  heads({ w, param }, { v }, emit) {
    emit(w.air, v[param.height] * PASCALS_PER_METRE)
  },
  flow({ w, param }, { v }, emit) {
    emit({ ...plainStretch(w.in, w.air, v[param.passes] * v[param.clear]), oneWay: true })
  },
}
