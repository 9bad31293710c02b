import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    emit({ type: 'R', a: e.a, b: e.b, ohms: v[param.ohms] })
    if (m[mode.contact]) emit({ type: 'R', a: e.com, b: e.no, ohms: v[param['contact-ohms']] })
  },
  react({ e, param, mode }, live, want) {
    const fed = live.volts(e.a, e.b) >= live.v[param.starts] ? 1 : 0
    if (live.m[mode.fed] !== fed) return want(mode.fed, fed)
    const due = fed === 1 && live.t >= live.since[mode.fed] + live.v[param.delay] - 1e-9
    if (live.m[mode.contact] !== (due ? 1 : 0)) want(mode.contact, due ? 1 : 0)
  },
  deadline({ param, mode }, live) {
    return live.m[mode.fed] && !live.m[mode.contact] ? live.since[mode.fed] + live.v[param.delay] : Infinity
  },
  signals: { through: { about: 'delay over, contact closed', read: ({ mode }, { m }) => m[mode.contact] } },
  active: 'through',
}
