import { blows, pressureBefore, steamFlow, takeSteam } from '../steam-way'
import type { KindBehaviour, Part, PointView } from '../contract'

function flow(part: Part, point: PointView): number {
  const { mode, param } = part
  const share = point.modes[mode.lid] ? 1 : point.modes[mode.seat] ? 0 : point.values[param.leaks]
  return share ? steamFlow(part, point, point.values[param.passes] * point.values[param.clear] * share) : 0
}

export const kindBehaviour: KindBehaviour = {
  rates: (part, point, derivatives) => takeSteam(part, point, flow(part, point), derivatives),
  transition(part, point, request) {
    const { mode, param } = part
    const open = point.modes[mode.lid] === 1
    if (!point.modes[mode.guide]) return
    const pressure = pressureBefore(part, point)
    if (!open && pressure >= point.values[param['opens-at']]) request(mode.lid, 1)
    if (open && pressure <= point.values[param['shuts-at']]) request(mode.lid, 0)
  },
  signals: {
    steam: { description: 'steam that leaves by it, as water', dimension: 'flow', read: flow },
    pressure: { description: 'pressure of the steam before it', dimension: 'pressure', read: pressureBefore },
    free: { description: 'its lever lifts and falls back', read: ({ mode }, { modes }) => modes[mode.guide] },
    blows: {
      description: 'steam or water comes out',
      from: '0.005 L/min',
      read: (part, point) => blows(flow(part, point)),
    },
  },
  active: 'blows',
}
