import { betaCelsius } from '../beta'
import type { KindBehaviour } from '../contract'

/** Shares of its voltage at which the input stops: an open line reads far below, a short far above any water. */
const [LEAST, MOST] = [0.002, 0.998]

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'VDC', a: nodes.in, b: nodes.com, ohms: values[param['pull-up']], volts: values[param.volts] })
  },
  signals: {
    temperature: {
      description: 'temperature as the control believes it',
      dimension: 'temperature',
      read: ({ nodes, param }, point) => {
        const share = Math.min(MOST, Math.max(LEAST, point.dcVolts(nodes.in, nodes.com) / point.values[param.volts]))
        return betaCelsius(
          point.values[param.ohms],
          point.values[param.beta],
          (point.values[param['pull-up']] * share) / (1 - share),
        )
      },
    },
  },
}
