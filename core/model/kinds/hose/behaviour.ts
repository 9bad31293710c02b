import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  links({ ports, param }, { values }, emit) {
    emit(linkOfKv(ports.in, ports.out, values[param.passes] * values[param.clear]))
  },
  signals: {
    kinked: {
      description: 'it is kinked',
      descriptionBy: { choice: 'is', words: { filter: 'it is clogged', pipe: 'it is crushed or blocked' } },
      read: ({ param }, { values }) => (values[param.clear] < 0.5 ? 1 : 0),
    },
  },
}
