import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.mated] === 0) return
    emit({ type: 'R', a: nodes.a1, b: nodes.b1, ohms: values[param.ohms] })
    emit({ type: 'R', a: nodes.a2, b: nodes.b2, ohms: values[param['return-ohms']] })
  },
}
