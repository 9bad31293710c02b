import { PASCALS_PER_METRE } from '../../physics/water'
import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  // Over its highest point water must be lifted; once it runs as a siphon the lower end draws it over.
  fixedPressures({ w, param, mode }, { v, m }, emit) {
    const { height, end } = param
    emit(w.air, (m[mode.siphon] ? Math.min(v[height], v[end]) : v[height]) * PASCALS_PER_METRE)
  },
  flow({ w, param }, { v }, emit) {
    emit({ ...linkOfKv(w.in, w.air, v[param.passes] * v[param.clear]), oneWay: true })
  },
  react(part, live, want) {
    const { param, mode } = part
    const runs = live.m[mode.siphon] === 1
    const flow = live.flow(part)
    const starts = live.v[param['siphons-at']]
    if (!runs && live.m[mode.mouth] === 0 && flow >= starts) want(mode.siphon, 1)
    if (runs && (live.m[mode.mouth] === 1 || flow < starts / 10)) want(mode.siphon, 0)
  },
  signals: {
    runs: { about: 'water leaves at the waste', read: (part, live) => (live.flow(part) > 0.5e-3 / 60 ? 1 : 0) },
    flow: { about: 'flow at the waste', dimension: 'flow', read: (part, live) => live.flow(part) },
    sealed: { about: 'its end sits sealed or too deep', read: ({ mode }, { m }) => 1 - m[mode.mouth] },
    low: { about: 'it hangs too low', read: ({ param }, { v }) => (v[param.height] < 0.3 ? 1 : 0) },
  },
}
