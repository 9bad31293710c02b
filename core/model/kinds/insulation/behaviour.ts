import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'R', a: nodes['1'], b: nodes['2'], ohms: values[param.ohms] })
  },
}
