import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'R', a: nodes.in, b: nodes.com, ohms: values[param.ohms] })
  },
  signals: {
    level: {
      description: 'level as the control believes it',
      dimension: 'length',
      read: ({ nodes, param }, { values, dcVolts }) =>
        ((dcVolts(nodes.in, nodes.com) - values[param['empty-volts']]) /
          (values[param['full-volts']] - values[param['empty-volts']])) *
        values[param['full-level']],
    },
  },
}
