import { betaCelsius } from '../beta'
import type { KindPhysics } from '../contract'

/** Shares of its voltage at which the input stops: an open line reads far below, a short far above any water. */
const [LEAST, MOST] = [0.002, 0.998]

export const physics: KindPhysics = {
  stamp({ e, param }, { v }, emit) {
    emit({ type: 'VDC', a: e.in, b: e.com, ohms: v[param['pull-up']], volts: v[param.volts] })
  },
  signals: {
    temperature: {
      about: 'temperature as the control believes it',
      dimension: 'temperature',
      read: ({ e, param }, { v, dcVolts }) => {
        const share = Math.min(MOST, Math.max(LEAST, dcVolts(e.in, e.com) / v[param.volts]))
        return betaCelsius(v[param.ohms], v[param.beta], (v[param['pull-up']] * share) / (1 - share))
      },
    },
  },
}
