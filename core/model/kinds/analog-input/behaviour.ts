import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'R', a: nodes.in, b: nodes.com, ohms: values[param.ohms] })
  },
  signals: {
    level: {
      description: 'level as the control believes it',
      dimension: 'length',
      read: ({ nodes, param }, point) =>
        ((point.dcVolts(nodes.in, nodes.com) - point.values[param['empty-volts']]) /
          (point.values[param['full-volts']] - point.values[param['empty-volts']])) *
        point.values[param['full-level']],
    },
  },
}
