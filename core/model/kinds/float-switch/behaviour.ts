import type { PointView, Part, KindBehaviour } from '../contract'

const closed = ({ mode, choice }: Part, { modes }: PointView): boolean =>
  modes[mode.reed] < 2 ? modes[mode.reed] === 1 : (modes[mode.float] === 1) === (choice['on-rise'] === 'closes')

export const kindBehaviour: KindBehaviour = {
  stamp(part, point, emit) {
    if (closed(part, point))
      emit({ type: 'R', a: part.nodes['1'], b: part.nodes['2'], ohms: point.values[part.param.ohms] })
  },
  transition(part, point, request) {
    const level = point.referredSignal(part, 'of', 'level')
    const up = point.modes[part.mode.float] === 1
    const guide = point.modes[part.mode.guide]
    if (guide < 2) {
      if (up !== (guide === 1)) request(part.mode.float, guide)
      return
    }
    if (!up && level >= point.values[part.param.trip]) request(part.mode.float, 1)
    if (up && level <= point.values[part.param.return]) request(part.mode.float, 0)
  },
  signals: {
    free: {
      description: 'the float is whole and moves freely',
      read: ({ mode }, { modes }) => (modes[mode.guide] === 2 ? 1 : 0),
    },
    closed: { description: 'contact closed', read: (part, point) => (closed(part, point) ? 1 : 0) },
  },
}
