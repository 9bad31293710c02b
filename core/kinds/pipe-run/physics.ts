import { linkOfKv } from '../link-of-kv'
import type { KindPhysics } from '../contract'

/** Share of its volume below which a full run counts as drained. */
const DRAINED = 0.97

export const physics: KindPhysics = {
  fixedPressures: ({ w }, _live, emit) => emit(w.air, 0),
  flow({ w, param, mode }, { v, m }, emit) {
    const to = m[mode.filled] ? w.out : w.air
    emit({ ...linkOfKv(w.in, to, v[param.passes] * v[param.clear]), oneWay: true })
  },
  rates(part, live, dx) {
    const { state, param, mode } = part
    const inside = live.x[state.inside]
    const flow = live.flow(part)
    if (live.m[mode.filled] === 0) dx[state.inside] += flow
    if (flow < 1e-9 && inside > 0) dx[state.inside] -= live.v[param['runs-out']]
  },
  react({ state, param, mode }, live, want) {
    const full = live.m[mode.filled] === 1
    const [inside, holds] = [live.x[state.inside], live.v[param.holds]]
    if (!full && inside >= holds) want(mode.filled, 1)
    if (full && inside < DRAINED * holds) want(mode.filled, 0)
  },
  signals: {
    full: { about: 'the run is full', read: ({ mode }, { m }) => m[mode.filled] },
    inside: { about: 'water in the run', dimension: 'volume', read: ({ state }, { x }) => x[state.inside] },
  },
}
