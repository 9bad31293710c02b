import type { Live, Part, KindPhysics } from '../contract'

/** Source voltage of the cell, volts. */
function emf(part: Part, live: Live): number {
  const { param, mode } = part
  const [low, high] = [live.v[param['empty-volts']], live.v[param['full-volts']]]
  const state = live.m[mode.cell]
  if (state < 2) return state === 0 ? low : high
  return low + ((high - low) * live.of(part, 'tube', 'pressure')) / live.v[param['full-pressure']]
}

export const physics: KindPhysics = {
  stampFollowsState: 'source',
  stamp(part, live, emit) {
    emit({ type: 'VDC', a: part.e.out, b: part.e.com, ohms: live.v[part.param.ohms], volts: emf(part, live) })
  },
  signals: {
    volts: { about: 'volts the sensor gives', dimension: 'voltage', read: ({ e }, live) => live.dcVolts(e.out, e.com) },
  },
}
