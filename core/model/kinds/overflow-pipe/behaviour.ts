import { PASCALS_PER_METRE } from '../../../physics/water'
import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  links({ ports, param, mode }, { values, modes }, emit) {
    // Pulled out, or not pushed home, its hole lies at the bottom.
    const at = modes[mode.pipe] ? values[param.at] : 0
    emit({
      ...linkOfKv(ports.in, ports.out, values[param.passes] * values[param.clear]),
      pressureRise: -at * PASCALS_PER_METRE,
      oneWay: true,
    })
  },
  signals: {
    flow: { description: 'flow through it', dimension: 'flow', read: (part, point) => point.flow(part) },
    runs: {
      description: 'water runs over',
      from: '0.1 L/min',
      read: (part, point) => (point.flow(part) > 0.1e-3 / 60 ? 1 : 0),
    },
    off: { description: 'it is not pushed home', read: ({ mode }, { modes }) => 1 - modes[mode.pipe] },
  },
  active: 'runs',
}
