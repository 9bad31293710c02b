import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.contact]) emit({ type: 'R', a: e['1'], b: e['2'], ohms: v[param.ohms] })
  },
  react(part, live, want) {
    if (live.m[part.mode.contact] === 1 && live.of(part, 'of', 'temperature') >= live.v[part.param['trips-at']])
      want(part.mode.contact, 0)
  },
  signals: { tripped: { about: 'it has tripped', read: ({ mode }, { m }) => 1 - m[mode.contact] } },
}
