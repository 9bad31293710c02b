import { STEAM_HEAT } from '../../../physics/water'
import type { KindBehaviour, Part, PointView } from '../contract'

/** Air that holds all it can. */
const FULL = 1
/** Seen from here on. */
const FOG = 0.95

const temperature = ({ state }: Part, { states, ambient }: PointView): number => ambient + states[state.above]
const humidity = ({ state, param }: Part, { states, values }: PointView): number =>
  values[param.dry] + states[state.damp]

export const kindBehaviour: KindBehaviour = {
  rates(part, point, derivatives) {
    const { state, param } = part
    const { values, states } = point
    const steam = point.referredSignal(part, 'from', 'steam')
    const goal = (steam * STEAM_HEAT) / values[param.loses]
    derivatives[state.above] += (goal - states[state.above]) / values[param.follows]
    // The nearer to fog, the more of it condenses at the walls.
    const room = Math.max(0, FULL - humidity(part, point)) / Math.max(0.01, FULL - values[param.dry])
    derivatives[state.damp] += (steam / values[param.fills]) * room - states[state.damp] / values[param.airs]
  },
  signals: {
    temperature: { description: 'temperature of the room', dimension: 'temperature', read: temperature },
    humidity: { description: 'humidity of the room', dimension: 'ratio', read: humidity },
    shut: { description: 'its door is shut and seals', read: ({ mode }, { modes }) => modes[mode.door] },
    foggy: {
      description: 'fog stands in it',
      from: '95 %',
      read: (part, point) => (humidity(part, point) >= FOG ? 1 : 0),
    },
  },
  active: 'foggy',
}
