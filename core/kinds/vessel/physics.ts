import { horizontalCylinderLevel, PASCALS_PER_METRE, WATER_HEAT } from '../../physics/water'
import type { Live, Part, KindPhysics } from '../contract'

/** Below this there is no water to speak of, m³. */
const DROP = 1e-5

/** Water boils at this, °C, and has stopped boiling when it is so many kelvin below. */
const BOILING = 100
const OFF_THE_BOIL = 0.4

/** Mean temperature of what stands in it, of the empty vessel itself when nothing does, °C. */
const temperature = ({ state, param }: Part, { x, v, ambient }: Live): number =>
  ambient + x[state.warmth] / (Math.max(0, x[state.volume]) + v[param.metal])

const level = ({ state, param, word }: Part, { x, v }: Live): number => {
  const volume = Math.max(0, x[state.volume])
  const area = v[param.area]
  if (word.shape === 'lying') return horizontalCylinderLevel(volume / (area * v[param.height])) * v[param.height]
  const sump = v[param['sump-height']]
  const held = sump * v[param['sump-area']]
  return volume < held ? volume / v[param['sump-area']] : sump + (volume - held) / area
}

export const physics: KindPhysics = {
  fixedPressures(part, live, emit) {
    emit(part.w.top, 0)
    emit(part.w.bottom, level(part, live) * PASCALS_PER_METRE)
  },
  rates(part, live, dx) {
    const { state, w, param } = part
    const net = live.inflow(w.top) + live.inflow(w.bottom)
    const above = temperature(part, live) - live.ambient
    const brought = live.warmthInto(w.top) + live.warmthInto(w.bottom) - net * live.ambient
    dx[state.warmth] += brought - (live.v[param.loses] * above) / WATER_HEAT
    if (live.m[part.mode.brim] && net > 0) {
      dx[state.spilled] += net
      dx[state.warmth] -= net * above
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
    const boils = live.m[part.mode.boils] === 1
    const warm = temperature(part, live)
    const volume = live.x[part.state.volume]
    if (!boils && warm >= BOILING && volume > 2 * DROP) want(part.mode.boils, 1)
    if (boils && (warm < BOILING - OFF_THE_BOIL || volume < DROP)) want(part.mode.boils, 0)
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
    wet: { about: 'water stands in it', read: (part, live) => (level(part, live) > 0.001 ? 1 : 0) },
    warm: { about: 'the water is warm', read: (part, live) => (temperature(part, live) > 35 ? 1 : 0) },
    half: {
      about: 'it is at least half full',
      read: (part, live) => (level(part, live) > live.v[part.param.height] / 2 ? 1 : 0),
    },
    boils: { about: 'the water boils', read: ({ mode }, { m }) => m[mode.boils] },
    temperature: { about: 'temperature of the water', dimension: 'temperature', read: temperature },
    filling: { about: 'water runs in', read: ({ w }, live) => (live.inflow(w.top) > 0.3e-3 / 60 ? 1 : 0) },
  },
  active: 'filling',
}
