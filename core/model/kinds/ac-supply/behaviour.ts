import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'VAC', a: nodes.L, b: nodes.N, ohms: values[param.ohms], volts: values[param.volts] })
  },
  signals: {
    volts: {
      description: 'volts at the supply point',
      dimension: 'voltage',
      read: ({ nodes }, point) => point.volts(nodes.L, nodes.N),
    },
  },
}
