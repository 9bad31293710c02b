import type { Live, Part, KindPhysics } from '../contract'

const closed = ({ mode, word }: Part, { m }: Live): boolean =>
  m[mode.reed] < 2 ? m[mode.reed] === 1 : (m[mode.float] === 1) === (word['on-rise'] === 'closes')

export const physics: KindPhysics = {
  stamp(part, live, emit) {
    if (closed(part, live)) emit({ type: 'R', a: part.e['1'], b: part.e['2'], ohms: live.v[part.param.ohms] })
  },
  react(part, live, want) {
    const level = live.of(part, 'of', 'level')
    const up = live.m[part.mode.float] === 1
    const guide = live.m[part.mode.guide]
    if (guide < 2) {
      if (up !== (guide === 1)) want(part.mode.float, guide)
      return
    }
    if (!up && level >= live.v[part.param.trip]) want(part.mode.float, 1)
    if (up && level <= live.v[part.param.return]) want(part.mode.float, 0)
  },
  signals: {
    free: { about: 'the float is whole and moves freely', read: ({ mode }, { m }) => (m[mode.guide] === 2 ? 1 : 0) },
    closed: { about: 'contact closed', read: (part, live) => (closed(part, live) ? 1 : 0) },
  },
}
