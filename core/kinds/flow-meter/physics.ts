import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.wheel]) emit({ type: 'VDC', a: e.out, b: e.com, ohms: v[param.ohms], volts: v[param.swing] })
    else emit({ type: 'R', a: e.out, b: e.com, ohms: v[param.ohms] })
  },
  flow({ w, param }, { v }, emit) {
    emit(linkOfKv(w.in, w.out, v[param.passes]))
  },
  rates(part, live, dx) {
    const { state, param, mode } = part
    if (live.m[mode.wheel]) dx[state.counted] += live.v[param.counts] * Math.max(0, live.flow(part))
  },
  signals: { counted: { about: 'water counted', dimension: 'volume', read: ({ state }, { x }) => x[state.counted] } },
}
