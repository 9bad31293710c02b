import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode, choice }, { values, modes }, emit) {
    if (modes[mode.diodes] === 0) return
    const wave = choice.wave === 'half' || modes[mode.diodes] === 1 ? 'half' : 'full'
    const ohms = values[param.ohms]
    emit({
      type: 'RECT',
      a: nodes.ac1,
      b: nodes.ac2,
      c: nodes.plus,
      d: nodes.minus,
      ohms,
      wave,
      load: Infinity,
      volts: 0,
    })
  },
}
