import { heatVessel, wattsOf } from '../heating'
import type { KindBehaviour } from '../contract'

/** Scale that is seen on it. */
const SEEN_FROM = 1.5

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.element]) emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] })
  },
  rates(part, point, derivatives) {
    heatVessel(part, point, derivatives)
    const { param, state } = part
    const { values, states } = point
    const load = wattsOf(part, point) / values[param.watts]
    const towards = load * values[param.hotter] * values[param.scale]
    derivatives[state.above] += (towards - states[state.above]) / values[param.follows]
  },
  signals: {
    heats: {
      description: 'element carries its current',
      from: '0.2 A',
      read: (part, point) => (point.amps(part) > 0.2 ? 1 : 0),
    },
    temperature: {
      description: 'temperature of its sheath',
      dimension: 'temperature',
      read: (part, point) => point.referredSignal(part, 'in', 'temperature') + point.states[part.state.above],
    },
    scaled: {
      description: 'scale sits on it',
      from: '1.5 times as hot',
      read: ({ param }, { values }) => (values[param.scale] > SEEN_FROM ? 1 : 0),
    },
  },
  active: 'heats',
}
