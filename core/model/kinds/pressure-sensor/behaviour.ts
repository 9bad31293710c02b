import type { PointView, Part, KindBehaviour } from '../contract'

/** Source voltage of the cell, volts. */
function emf(part: Part, point: PointView): number {
  const { param, mode } = part
  const [low, high] = [point.values[param['empty-volts']], point.values[param['full-volts']]]
  const state = point.modes[mode.cell]
  if (state < 2) return state === 0 ? low : high
  return low + ((high - low) * point.referredSignal(part, 'tube', 'pressure')) / point.values[param['full-pressure']]
}

export const kindBehaviour: KindBehaviour = {
  stampDependsOnState: 'source',
  stamp(part, point, emit) {
    emit({
      type: 'VDC',
      a: part.nodes.out,
      b: part.nodes.com,
      ohms: point.values[part.param.ohms],
      volts: emf(part, point),
    })
  },
  signals: {
    volts: {
      description: 'volts the sensor gives',
      dimension: 'voltage',
      read: ({ nodes }, point) => point.dcVolts(nodes.out, nodes.com),
    },
  },
}
