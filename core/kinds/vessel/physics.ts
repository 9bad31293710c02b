import { PASCALS_PER_METRE } from '../../water'
import type { Live, Part, KindPhysics } from '../contract'

const level = ({ state, param }: Part, { x, v }: Live): number => x[state.volume] / v[param.area]

export const physics: KindPhysics = {
  heads(part, live, emit) {
    emit(part.w.top, 0)
    emit(part.w.bottom, level(part, live) * PASCALS_PER_METRE)
  },
  rates(part, live, dx) {
    const net = live.inflow(part.w.top) + live.inflow(part.w.bottom)
    if (live.m[part.mode.brim] && net > 0) dx[part.state.spilled] = net
    else dx[part.state.volume] = net
  },
  react(part, live, want) {
    const h = level(part, live)
    const brim = live.v[part.param.height]
    const over = live.m[part.mode.brim] === 1
    if (!over && h >= brim) want(part.mode.brim, 1)
    if (over && h < brim - 0.002) want(part.mode.brim, 0)
  },
  signals: {
    level: { about: 'water level', dimension: 'length', read: level },
    pressure: {
      about: 'pressure at the bottom',
      dimension: 'pressure',
      read: (part, live) => level(part, live) * PASCALS_PER_METRE,
    },
    volume: { about: 'water in the vessel', dimension: 'volume', read: ({ state }, { x }) => x[state.volume] },
    spilled: { about: 'water run over the edge', dimension: 'volume', read: ({ state }, { x }) => x[state.spilled] },
    filling: { about: 'water runs in', read: ({ w }, live) => (live.inflow(w.top) > 0.3e-3 / 60 ? 1 : 0) },
  },
  active: 'filling',
}
