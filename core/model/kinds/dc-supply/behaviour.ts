import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'VDC', a: nodes.plus, b: nodes.minus, ohms: values[param.ohms], volts: values[param.volts] })
  },
  signals: {
    volts: {
      description: 'volts at the supply point',
      dimension: 'voltage',
      read: ({ nodes }, point) => point.volts(nodes.plus, nodes.minus),
    },
  },
}
