import type { KindBehaviour, Part, PointView } from '../contract'

/** Current that comes back through the earth instead of the neutral, A. */
const toEarth = ({ nodes, param }: Part, point: PointView): number =>
  point.volts(nodes.E, nodes.N) / point.values[param['earth-ohms']]

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.breaker])
      emit({ type: 'VAC', a: nodes.L, b: nodes.N, ohms: values[param.ohms], volts: values[param.volts] })
    emit({ type: 'R', a: nodes.N, b: nodes.E, ohms: values[param['earth-ohms']] })
  },
  // It is reset by hand; nothing in a run closes it again.
  transition(part, point, request) {
    const { mode, param } = part
    if (point.modes[mode.breaker] && toEarth(part, point) >= point.values[param['trips-at']]) request(mode.breaker, 0)
  },
  signals: {
    volts: {
      description: 'volts at the supply point',
      dimension: 'voltage',
      read: ({ nodes }, point) => point.volts(nodes.L, nodes.N),
    },
    tripped: { description: 'its breaker has tripped', read: ({ mode }, { modes }) => 1 - modes[mode.breaker] },
  },
}
