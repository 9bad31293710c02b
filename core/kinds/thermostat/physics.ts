import type { Live, Part, KindPhysics } from '../contract'

const closed = ({ mode }: Part, { m }: Live): boolean =>
  m[mode.contact] < 2 ? m[mode.contact] === 1 : m[mode.snap] === 1

export const physics: KindPhysics = {
  stamp(part, live, emit) {
    if (closed(part, live)) emit({ type: 'R', a: part.e['1'], b: part.e['2'], ohms: live.v[part.param.ohms] })
  },
  react(part, live, want) {
    const warm = live.of(part, 'of', 'temperature')
    const cold = live.m[part.mode.snap] === 1
    if (cold && warm >= live.v[part.param['opens-at']]) want(part.mode.snap, 0)
    if (!cold && warm <= live.v[part.param['closes-at']]) want(part.mode.snap, 1)
  },
  signals: { closed: { about: 'contact closed', read: (part, live) => (closed(part, live) ? 1 : 0) } },
}
