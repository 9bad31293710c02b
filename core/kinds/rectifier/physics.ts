import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode, word }, { v, m }, emit) {
    if (m[mode.diodes] === 0) return
    const wave = word.wave === 'half' || m[mode.diodes] === 1 ? 'half' : 'full'
    const ohms = v[param.ohms]
    emit({ type: 'RECT', a: e.ac1, b: e.ac2, c: e.plus, d: e.minus, ohms, wave, load: Infinity, volts: 0 })
  },
}
