import type { Live, Part, KindPhysics } from '../contract'

const closed = ({ mode, word }: Part, { m }: Live): boolean =>
  m[mode.reed] < 2 ? m[mode.reed] === 1 : (m[mode.float] === 1) === (word['on-rise'] === 'closes')

export const physics: KindPhysics = {
  stamp(part, live, emit) {
    if (closed(part, live)) emit({ t: 'R', a: part.e['1'], b: part.e['2'], ohms: live.v[part.param.ohms] })
  },
  react(part, live, want) {
    const level = live.of(part, 'of', 'level')
    const up = live.m[part.mode.float] === 1
    if (!up && level >= live.v[part.param.trip]) want(part.mode.float, 1)
    if (up && level <= live.v[part.param.return]) want(part.mode.float, 0)
  },
  signals: {
    rides: {
      about: 'the float stands where the water is',
      read: (part, live) => {
        const level = live.of(part, 'of', 'level')
        const { param, mode } = part
        return live.m[mode.float] ? (level > live.v[param.return] ? 1 : 0) : level < live.v[param.trip] ? 1 : 0
      },
    },
    closed: { about: 'contact closed', read: (part, live) => (closed(part, live) ? 1 : 0) },
  },
}
