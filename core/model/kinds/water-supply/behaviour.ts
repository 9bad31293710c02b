import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

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
    conductivity: {
      description: 'how well the water conducts',
      dimension: 'conductivity',
      read: ({ param }, { values }) => values[param.conducts],
    },
  },
}
