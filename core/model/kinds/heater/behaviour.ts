import { heatVessel } from '../heating'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.element]) emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] })
  },
  rates: heatVessel,
  signals: {
    heats: {
      description: 'element carries its current',
      from: '0.2 A',
      read: (part, point) => (point.amps(part) > 0.2 ? 1 : 0),
    },
  },
  active: 'heats',
}
