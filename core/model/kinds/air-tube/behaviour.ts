import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  signals: {
    pressure: {
      description: 'pressure at the sensor end',
      dimension: 'pressure',
      read: (part, point) =>
        point.modes[part.mode.way] ? point.values[part.param.passes] * point.referredSignal(part, 'of', 'pressure') : 0,
    },
    sound: {
      description: 'the tube is on, whole and not pinched',
      read: (part, point) => (point.modes[part.mode.way] && point.values[part.param.passes] > 0.9 ? 1 : 0),
    },
  },
}
