import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'R', a: nodes.L, b: nodes.N, ohms: values[param.ohms] })
  },
  signals: {
    powered: {
      description: 'the control wakes up',
      read: ({ nodes, param, mode }, point) =>
        point.modes[mode.life] && point.volts(nodes.L, nodes.N) >= point.values[param.wakes] ? 1 : 0,
    },
  },
  active: 'powered',
}
