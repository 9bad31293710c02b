import { PASCALS_PER_METRE, WATER_HEAT } from '../../water'
import type { Live, Part, KindPhysics } from '../contract'

/** Below this there is no water to speak of, m³. */
const DROP = 1e-6

/** Mean temperature of what stands in it, °C; ambient when empty. */
const temperature = ({ state }: Part, { x, ambient }: Live): number =>
  x[state.volume] > DROP ? x[state.warmth] / x[state.volume] : ambient

const level = ({ state, param }: Part, { x, v }: Live): number => x[state.volume] / v[param.area]

export const physics: KindPhysics = {
  heads(part, live, emit) {
    emit(part.w.top, 0)
    emit(part.w.bottom, level(part, live) * PASCALS_PER_METRE)
  },
  rates(part, live, dx) {
    const { state, w, param } = part
    const net = live.inflow(w.top) + live.inflow(w.bottom)
    const warm = temperature(part, live)
    const lost = (live.v[param.loses] * (warm - live.ambient)) / WATER_HEAT
    dx[state.warmth] += live.warmthInto(w.top) + live.warmthInto(w.bottom) - (live.x[state.volume] > DROP ? lost : 0)
    if (live.m[part.mode.brim] && net > 0) {
      dx[state.spilled] += net
      dx[state.warmth] -= net * warm
    } else dx[state.volume] += net
  },
  temperatures(part, live, emit) {
    emit(part.w.top, temperature(part, live))
    emit(part.w.bottom, temperature(part, live))
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
    temperature: { about: 'temperature of the water', dimension: 'temperature', read: temperature },
    filling: { about: 'water runs in', read: ({ w }, live) => (live.inflow(w.top) > 0.3e-3 / 60 ? 1 : 0) },
  },
  active: 'filling',
}
