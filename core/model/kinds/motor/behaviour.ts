import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.winding])
      emit({ type: 'RL', a: nodes.a, b: nodes.b, ohms: values[param.ohms], henries: values[param.henries] })
  },
  transition({ nodes, param, mode }, point, request) {
    const volts = point.modes[mode.winding] ? point.volts(nodes.a, nodes.b) : 0
    const turning = point.modes[mode.turning] === 1
    if (!turning && volts >= point.values[param.starts]) request(mode.turning, 1)
    if (turning && volts < point.values[param.starts] * 0.6) request(mode.turning, 0)
  },
  signals: { runs: { description: 'it turns', read: ({ mode }, { modes }) => modes[mode.turning] } },
  active: 'runs',
}
