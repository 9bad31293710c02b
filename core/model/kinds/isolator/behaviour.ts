import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.closed] === 0) return
    emit({ type: 'R', a: nodes.Lin, b: nodes.Lout, ohms: values[param.ohms] })
    emit({ type: 'R', a: nodes.Nin, b: nodes.Nout, ohms: values[param.ohms] })
  },
  signals: { on: { description: 'it is in and switched on', read: ({ mode }, { modes }) => modes[mode.closed] } },
}
