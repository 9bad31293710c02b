import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  signals: {
    pressure: {
      about: 'pressure at the sensor end',
      dimension: 'pressure',
      read: (part, live) => (live.m[part.mode.way] ? live.v[part.param.passes] * live.of(part, 'of', 'pressure') : 0),
    },
    sound: {
      about: 'the tube is on, whole and not pinched',
      read: (part, live) => (live.m[part.mode.way] && live.v[part.param.passes] > 0.9 ? 1 : 0),
    },
  },
}
