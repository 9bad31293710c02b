import type { PointView, Part, KindBehaviour } from '../contract'

const closed = ({ mode }: Part, { modes }: PointView): boolean =>
  modes[mode.contact] < 2 ? modes[mode.contact] === 1 : modes[mode.snap] === 1

export const kindBehaviour: KindBehaviour = {
  stamp(part, point, emit) {
    if (closed(part, point))
      emit({ type: 'R', a: part.nodes['1'], b: part.nodes['2'], ohms: point.values[part.param.ohms] })
  },
  transition(part, point, request) {
    const warm = point.referredSignal(part, 'of', 'temperature')
    const cold = point.modes[part.mode.snap] === 1
    if (cold && warm >= point.values[part.param['opens-at']]) request(part.mode.snap, 0)
    if (!cold && warm <= point.values[part.param['closes-at']]) request(part.mode.snap, 1)
  },
  signals: { closed: { description: 'contact closed', read: (part, point) => (closed(part, point) ? 1 : 0) } },
}
