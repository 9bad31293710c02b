import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.winding] === 0) return
    emit({
      type: 'T',
      a: nodes.p1,
      b: nodes.p2,
      c: nodes.s1,
      d: nodes.s2,
      ohms: values[param['primary-ohms']],
      ohms2: values[param['secondary-ohms']],
      henries: values[param.henries],
      ratio: values[param.ratio],
    })
  },
}
