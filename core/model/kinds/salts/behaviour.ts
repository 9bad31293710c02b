import type { KindBehaviour, Part, PointView } from '../contract'

/** With less water in it there is nothing to put a meter into, m³. */
const DROP = 1e-5

/** S/m; what stands in the vessel at first is of the supply. */
function conducts(part: Part, point: PointView): number {
  const vessel = point.referred(part, 'of')!
  const supplied = point.referredSignal(part, 'water', 'conductivity')
  const volume = point.referredSignal(part, 'of', 'volume')
  const held = point.states[part.state.held] + point.values[vessel.param.start] * supplied
  return volume > DROP ? Math.max(0, held / volume) : supplied
}

export const kindBehaviour: KindBehaviour = {
  rates(part, point, derivatives) {
    const vessel = point.referred(part, 'of')!
    const own = conducts(part, point)
    const supplied = point.referredSignal(part, 'water', 'conductivity')
    let net = 0
    for (const [name, port] of Object.entries(vessel.ports)) {
      const flow = point.inflow(port)
      const other = name === 'top' && point.referred(part, 'top-water')
      const brought = other ? point.referredSignal(part, 'top-water', 'conductivity') : supplied
      net += flow
      derivatives[part.state.held] += flow * (flow > 0 ? brought : own)
    }
    if (net > 0 && point.referredSignal(part, 'of', 'over')) derivatives[part.state.held] -= net * own
  },
  signals: {
    conductivity: { description: 'how well the water in it conducts', dimension: 'conductivity', read: conducts },
  },
}
