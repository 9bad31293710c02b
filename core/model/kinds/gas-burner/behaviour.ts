import { giveHeat } from '../heating'
import type { KindBehaviour, Part, PointView } from '../contract'

/** Below this share of the voltage at which it starts it goes out. */
const HOLDS = 0.8

const lightsAt = ({ mode, param }: Part, { modeSince, values }: PointView): number =>
  modeSince[mode.fed] + values[param.lights]

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] })
  },
  rates(part, point, derivatives) {
    if (point.modes[part.mode.flame]) giveHeat(part, point, derivatives, point.values[part.param.watts])
  },
  transition(part, point, request) {
    const { mode, nodes, param } = part
    const { modes, values } = point
    const volts = point.volts(nodes.a, nodes.b)
    const fed = modes[mode.fed] === 1
    if (!fed && volts >= values[param.starts]) request(mode.fed, 1)
    if (fed && volts < HOLDS * values[param.starts]) request(mode.fed, 0)
    const burning = modes[mode.flame] === 1
    if (!fed && burning) request(mode.flame, 0)
    if (fed && !burning && modes[mode.train] && point.time >= lightsAt(part, point) - 1e-9) request(mode.flame, 1)
  },
  nextTimeEvent(part, point) {
    const { mode } = part
    const waits = point.modes[mode.fed] && point.modes[mode.train] && !point.modes[mode.flame]
    return waits ? lightsAt(part, point) : Infinity
  },
  signals: {
    called: { description: 'it is called for', read: ({ mode }, { modes }) => modes[mode.fed] },
    burns: { description: 'its flame burns', read: ({ mode }, { modes }) => modes[mode.flame] },
  },
  active: 'called',
}
