import { PASCALS_PER_METRE } from '../../../physics/water'
import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  links({ ports, param }, { values }, emit) {
    emit({
      ...linkOfKv(ports.in, ports.out, values[param.passes] * values[param.clear]),
      pressureRise: -values[param.rises] * PASCALS_PER_METRE,
    })
  },
  signals: {
    flow: { description: 'flow through it', dimension: 'flow', read: (part, point) => point.flow(part) },
    pressure: {
      description: 'pressure at its outlet',
      dimension: 'pressure',
      read: ({ ports }, point) => point.pressure(ports.out),
    },
    kinked: {
      description: 'it is kinked',
      descriptionBy: { choice: 'is', words: { filter: 'it is clogged', pipe: 'it is crushed or blocked' } },
      read: ({ param }, { values }) => (values[param.clear] < 0.5 ? 1 : 0),
    },
  },
}
