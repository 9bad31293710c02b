import { copper } from '../copper'
import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m, ambient }, emit) {
    if (m[mode.coil]) emit({ type: 'R', a: e.a, b: e.b, ohms: v[param.ohms] * copper(ambient) })
  },
  flow({ w, param, mode }, { v, m }, emit) {
    if (m[mode.passage]) emit({ ...linkOfKv(w.in, w.out, v[param.passes]), oneWay: true })
  },
  react({ e, w, param, mode }, live, want) {
    const volts = live.m[mode.coil] ? live.dcVolts(e.a, e.b) : 0
    const latched = live.m[mode.latch] === 1
    if (!latched && volts >= live.v[param.latches]) return want(mode.latch, 1)
    if (latched && volts <= -live.v[param.latches]) return want(mode.latch, 0)
    const open = live.m[mode.passage] === 1
    if (!open && latched && live.pressure(w.in) - live.pressure(w.out) >= live.v[param['opens-at']])
      want(mode.passage, 1)
    if (open && !latched) want(mode.passage, 0)
  },
  signals: {
    latched: { about: 'latched open', read: ({ mode }, { m }) => m[mode.latch] },
    flow: { about: 'flow through the valve', dimension: 'flow', read: (part, live) => live.flow(part) },
    passes: { about: 'water runs through it', read: (part, live) => (live.flow(part) > 0.2e-3 / 60 ? 1 : 0) },
  },
  active: 'latched',
}
