import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

/** Share of its volume below which a full run counts as drained. */
const DRAINED = 0.97

export const kindBehaviour: KindBehaviour = {
  fixedPressures: ({ ports }, _point, emit) => emit(ports.air, 0),
  links({ ports, param, mode }, { values, modes }, emit) {
    const to = modes[mode.filled] ? ports.out : ports.air
    emit({ ...linkOfKv(ports.in, to, values[param.passes] * values[param.clear]), oneWay: true })
  },
  rates(part, point, derivatives) {
    const { state, param, mode } = part
    const inside = point.states[state.inside]
    const flow = point.flow(part)
    if (point.modes[mode.filled] === 0) derivatives[state.inside] += flow
    if (flow < 1e-9 && inside > 0) derivatives[state.inside] -= point.values[param['runs-out']]
  },
  transition({ state, param, mode }, point, request) {
    const full = point.modes[mode.filled] === 1
    const [inside, holds] = [point.states[state.inside], point.values[param.holds]]
    if (!full && inside >= holds) request(mode.filled, 1)
    if (full && inside < DRAINED * holds) request(mode.filled, 0)
  },
  signals: {
    full: { description: 'the run is full', read: ({ mode }, { modes }) => modes[mode.filled] },
    inside: {
      description: 'water in the run',
      dimension: 'volume',
      read: ({ state }, { states }) => states[state.inside],
    },
  },
}
