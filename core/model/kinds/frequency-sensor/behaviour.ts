import type { PointView, Part, KindBehaviour } from '../contract'

const works = ({ nodes, param, mode }: Part, point: PointView): boolean =>
  point.modes[mode.cell] > 0 && point.dcVolts(nodes.supply, nodes.com) >= point.values[param.wakes]

/** Frequency that the cell makes; it falls as the level rises. */
const hertz = (part: Part, point: PointView): number => {
  const { param, mode } = part
  if (!works(part, point)) return 0
  const pressure = point.modes[mode.cell] === 1 ? 0 : point.referredSignal(part, 'tube', 'pressure')
  return (
    point.values[param['empty-hertz']] - (point.values[param.falls] * pressure) / point.values[param['full-pressure']]
  )
}

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    emit({ type: 'R', a: nodes.supply, b: nodes.com, ohms: values[param.ohms] })
    // The square wave by its mean: what reaches the input of the control shows whether the line is whole.
    if (modes[mode.awake])
      emit({ type: 'VDC', a: nodes.out, b: nodes.com, ohms: values[param['out-ohms']], volts: values[param.swing] })
  },
  transition(part, point, request) {
    const { mode } = part
    const awake = works(part, point) ? 1 : 0
    if (point.modes[mode.awake] !== awake) request(mode.awake, awake)
  },
  signals: {
    hertz: { description: 'frequency it gives', dimension: 'frequency', read: hertz },
    works: { description: 'it gives a frequency', read: (part, point) => (works(part, point) ? 1 : 0) },
  },
  active: 'works',
}
