import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.winding])
      emit({ type: 'RL', a: nodes.a, b: nodes.b, ohms: values[param.ohms], henries: values[param.henries] })
  },
  links({ ports, param, mode }, { values, modes }, emit) {
    if (modes[mode.primed] === 0) return
    const head = modes[mode.turning] ? values[param.head] : 0
    emit({
      from: ports.in,
      to: ports.out,
      quadratic: 1e5 / values[param.passes] ** 2,
      linear: 1e5,
      ratedFlow: Infinity,
      regulatorSlope: 0,
      pressureRise: head,
      oneWay: true,
    })
  },
  transition(part, point, request) {
    const { nodes, param, mode } = part
    const volts = point.modes[mode.winding] ? point.volts(nodes.a, nodes.b) : 0
    const turning = point.modes[mode.turning] === 1
    if (!turning && volts >= point.values[param.starts]) request(mode.turning, 1)
    if (turning && volts < point.values[param.starts] * 0.6) request(mode.turning, 0)
    const level = point.referredSignal(part, 'of', 'level')
    const primed = point.modes[mode.primed] === 1
    if (!primed && level >= point.values[param['primes-at']]) request(mode.primed, 1)
    if (primed && level <= point.values[param['primes-at']] / 2) request(mode.primed, 0)
  },
  signals: {
    runs: { description: 'it turns', read: ({ mode }, { modes }) => modes[mode.turning] },
    hums: {
      description: 'it hums or turns',
      read: ({ nodes, mode, param }, point) =>
        point.modes[mode.winding] && point.volts(nodes.a, nodes.b) > 0.4 * point.values[param.starts] ? 1 : 0,
    },
    throws: { description: 'water leaves at the waste', read: (part, point) => (point.flow(part) > 1e-3 / 60 ? 1 : 0) },
  },
  active: 'runs',
}
