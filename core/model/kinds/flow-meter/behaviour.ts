import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.wheel])
      emit({ type: 'VDC', a: nodes.out, b: nodes.com, ohms: values[param.ohms], volts: values[param.swing] })
    else emit({ type: 'R', a: nodes.out, b: nodes.com, ohms: values[param.ohms] })
  },
  links({ ports, param }, { values }, emit) {
    emit(linkOfKv(ports.in, ports.out, values[param.passes]))
  },
  rates(part, point, derivatives) {
    const { state, param, mode } = part
    if (point.modes[mode.wheel])
      derivatives[state.counted] += point.values[param.counts] * Math.max(0, point.flow(part))
  },
  signals: {
    counted: {
      description: 'water counted',
      dimension: 'volume',
      read: ({ state }, { states }) => states[state.counted],
    },
  },
}
