import { blows, pressureBefore, steamFlow, takeSteam } from '../steam-way'
import type { KindBehaviour, Part, PointView } from '../contract'

const flow = (part: Part, point: PointView): number =>
  steamFlow(part, point, point.values[part.param.passes] * point.values[part.param.clear])

export const kindBehaviour: KindBehaviour = {
  rates: (part, point, derivatives) => takeSteam(part, point, flow(part, point), derivatives),
  signals: {
    steam: { description: 'steam that leaves by it, as water', dimension: 'flow', read: flow },
    pressure: { description: 'pressure of the steam before it', dimension: 'pressure', read: pressureBefore },
    blows: { description: 'steam comes out', from: '0.005 L/min', read: (part, point) => blows(flow(part, point)) },
  },
  active: 'blows',
}
