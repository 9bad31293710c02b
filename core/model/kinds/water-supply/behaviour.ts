import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

/** More than this goes through it while something draws, m³/s. */
const DRAWN_FROM = 0.3e-3 / 60
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
    drawn: {
      description: 'water is drawn from it',
      read: (part, point) => (point.flow(part) > DRAWN_FROM ? 1 : 0),
    },
    conductivity: {
      description: 'how well the water conducts',
      dimension: 'conductivity',
      read: ({ param }, { values }) => values[param.conducts],
    },
  },
  active: 'drawn',
}
