import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'R', a: nodes.in, b: nodes.com, ohms: values[param.ohms] })
  },
  signals: {
    counted: {
      description: 'water as the control counts it',
      dimension: 'volume',
      read: (part, point) =>
        point.modes[part.mode.life] && point.dcVolts(part.nodes.in, part.nodes.com) >= point.values[part.param.hears]
          ? point.referredSignal(part, 'meter', 'counted')
          : 0,
    },
  },
}
