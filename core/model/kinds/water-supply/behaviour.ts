import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

/** Less than this is a trickle at a tap, Pa. */
const USUAL_FORCE = 1e5

export const kindBehaviour: KindBehaviour = {
  fixedPressures({ ports, param }, { values }, emit) {
    emit(ports.street, values[param.pressure])
  },
  temperatures({ ports, param }, { values }, emit) {
    emit(ports.street, values[param.temperature])
  },
  links({ ports, param }, { values }, emit) {
    emit(linkOfKv(ports.street, ports.out, values[param.passes]))
  },
  signals: {
    strong: {
      description: 'water comes with its usual force at the next tap of the house',
      read: ({ param }, { values }) => (values[param.pressure] >= USUAL_FORCE ? 1 : 0),
    },
    conductivity: {
      description: 'how well the water conducts',
      dimension: 'conductivity',
      read: ({ param }, { values }) => values[param.conducts],
    },
  },
}
