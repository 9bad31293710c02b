import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.element]) emit({ t: 'R', a: e.a, b: e.b, ohms: v[param.ohms] })
  },
  signals: { heats: { about: 'element carries its current', read: (part, live) => (live.amps(part) > 0.2 ? 1 : 0) } },
  active: 'heats',
}
