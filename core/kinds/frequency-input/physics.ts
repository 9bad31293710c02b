import type { Live, Part, KindPhysics } from '../contract'

const hertz = (part: Part, live: Live): number =>
  live.m[part.mode.life] && live.dcVolts(part.e.in, part.e.com) >= live.v[part.param.hears]
    ? live.of(part, 'sensor', 'hertz')
    : 0

export const physics: KindPhysics = {
  stamp({ e, param }, { v }, emit) {
    emit({ type: 'R', a: e.in, b: e.com, ohms: v[param.ohms] })
  },
  signals: {
    hertz: { about: 'frequency as the control counts it', dimension: 'frequency', read: hertz },
    level: {
      about: 'level as the control believes it',
      dimension: 'length',
      read: (part, live) => {
        const { param } = part
        const { v } = live
        return ((v[param['empty-hertz']] - hertz(part, live)) / v[param.falls]) * v[param['full-level']]
      },
    },
    lost: { about: 'no frequency comes', read: (part, live) => (hertz(part, live) === 0 ? 1 : 0) },
  },
}
