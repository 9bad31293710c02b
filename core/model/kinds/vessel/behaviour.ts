import { horizontalCylinderLevel, PASCALS_PER_METRE, WATER_HEAT } from '../../../physics/water'
import type { PointView, Part, KindBehaviour } from '../contract'

/** Below this there is no water to speak of, m³. */
const DROP = 1e-5

/** What is less is damp, m. */
const FILM = 0.001

/** Water boils at this, °C, and has stopped boiling when it is so many kelvin below. */
const BOILING = 100
const OFF_THE_BOIL = 0.4

/** Mean temperature of what stands in it, of the empty vessel itself when nothing does, °C. */
const temperature = ({ state, param }: Part, { states, values, ambient }: PointView): number =>
  ambient + states[state.warmth] / (Math.max(0, states[state.volume]) + values[param.metal])

const level = ({ state, param, choice }: Part, { states, values }: PointView): number => {
  const volume = Math.max(0, states[state.volume])
  const area = values[param.area]
  if (choice.shape === 'lying')
    return horizontalCylinderLevel(volume / (area * values[param.height])) * values[param.height]
  const sump = values[param['sump-height']]
  const held = sump * values[param['sump-area']]
  return volume < held ? volume / values[param['sump-area']] : sump + (volume - held) / area
}

export const kindBehaviour: KindBehaviour = {
  fixedPressures(part, point, emit) {
    emit(part.ports.top, 0)
    emit(part.ports.bottom, level(part, point) * PASCALS_PER_METRE)
  },
  rates(part, point, derivatives) {
    const { state, ports, param } = part
    const net = point.inflow(ports.top) + point.inflow(ports.bottom)
    const above = temperature(part, point) - point.ambient
    const brought = point.heatFlowInto(ports.top) + point.heatFlowInto(ports.bottom) - net * point.ambient
    derivatives[state.warmth] += brought - (point.values[param.loses] * above) / WATER_HEAT
    if (point.modes[part.mode.brim] && net > 0) {
      derivatives[state.spilled] += net
      derivatives[state.warmth] -= net * above
      const below = point.referred(part, 'spills-into')
      if (below && point.modes[below.mode.brim]) derivatives[below.state.spilled] += net
      else if (below) {
        derivatives[below.state.volume] += net
        derivatives[below.state.warmth] += net * above
      }
    } else derivatives[state.volume] += net
  },
  temperatures(part, point, emit) {
    emit(part.ports.top, temperature(part, point))
    emit(part.ports.bottom, temperature(part, point))
  },
  transition(part, point, request) {
    const h = level(part, point)
    const brim = point.values[part.param.height]
    const over = point.modes[part.mode.brim] === 1
    if (!over && h >= brim) request(part.mode.brim, 1)
    if (over && h < brim - 0.002) request(part.mode.brim, 0)
    const boils = point.modes[part.mode.boils] === 1
    const warm = temperature(part, point)
    const volume = point.states[part.state.volume]
    if (!boils && warm >= BOILING && volume > 2 * DROP) request(part.mode.boils, 1)
    if (boils && (warm < BOILING - OFF_THE_BOIL || volume < DROP)) request(part.mode.boils, 0)
  },
  signals: {
    level: {
      description: 'water level',
      descriptionBy: { choice: 'holds', words: { ice: 'height of the ice' } },
      dimension: 'length',
      read: level,
    },
    pressure: {
      description: 'pressure at the bottom',
      dimension: 'pressure',
      read: (part, point) => level(part, point) * PASCALS_PER_METRE,
    },
    volume: {
      description: 'water in the vessel',
      dimension: 'volume',
      read: ({ state }, { states }) => states[state.volume],
    },
    spilled: {
      description: 'water run over the edge',
      dimension: 'volume',
      read: ({ state }, { states }) => states[state.spilled],
    },
    over: { description: 'water runs over its edge', read: ({ mode }, { modes }) => modes[mode.brim] },
    wet: {
      description: 'water stands in it',
      from: '1 mm',
      read: (part, point) => (level(part, point) > FILM ? 1 : 0),
    },
    seen: {
      description: 'water is seen to stand in it',
      descriptionBy: { choice: 'holds', words: { ice: 'ice lies in it' } },
      read: (part, point) =>
        level(part, point) > (part.choice.holds === 'leaks' ? FILM : point.values[part.param['seen-from']]) ? 1 : 0,
    },
    warm: {
      description: 'the water is warm',
      from: '35 °C',
      read: (part, point) => (temperature(part, point) > 35 ? 1 : 0),
    },
    half: {
      description: 'it is at least half full',
      from: 'half its height',
      read: (part, point) => (level(part, point) > point.values[part.param.height] / 2 ? 1 : 0),
    },
    boils: {
      description: 'the water boils',
      from: '100 °C, until 99.6 °C',
      read: ({ mode }, { modes }) => modes[mode.boils],
    },
    temperature: { description: 'temperature of the water', dimension: 'temperature', where: 'wet', read: temperature },
    filling: {
      description: 'water runs in',
      from: '0.3 L/min at its top',
      read: ({ ports }, point) => (point.inflow(ports.top) > 0.3e-3 / 60 ? 1 : 0),
    },
  },
  active: 'filling',
}
