import type { PointView, Part, KindBehaviour } from '../contract'

const hertz = (part: Part, point: PointView): number =>
  point.modes[part.mode.life] && point.dcVolts(part.nodes.in, part.nodes.com) >= point.values[part.param.hears]
    ? point.referredSignal(part, 'sensor', 'hertz')
    : 0

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param }, { values }, emit) {
    emit({ type: 'R', a: nodes.in, b: nodes.com, ohms: values[param.ohms] })
  },
  signals: {
    hertz: { description: 'frequency as the control counts it', dimension: 'frequency', read: hertz },
    level: {
      description: 'level as the control believes it',
      dimension: 'length',
      read: (part, point) => {
        const { param } = part
        const { values } = point
        return ((values[param['empty-hertz']] - hertz(part, point)) / values[param.falls]) * values[param['full-level']]
      },
    },
    lost: { description: 'no frequency comes', read: (part, point) => (hertz(part, point) === 0 ? 1 : 0) },
  },
}
