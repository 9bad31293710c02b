import type { PointView, Part, KindBehaviour } from '../contract'

/** The snap at which its contact is closed: cold, or warm for one that opens when its bulb gets cold. */
const closedAt = ({ choice }: Part): 0 | 1 => (choice.opens === 'cold' ? 0 : 1)
const closed = (part: Part, { modes }: PointView): boolean =>
  modes[part.mode.contact] < 2 ? modes[part.mode.contact] === 1 : modes[part.mode.snap] === closedAt(part)

export const kindBehaviour: KindBehaviour = {
  stamp(part, point, emit) {
    if (closed(part, point))
      emit({ type: 'R', a: part.nodes['1'], b: part.nodes['2'], ohms: point.values[part.param.ohms] })
  },
  transition(part, point, request) {
    const warm = point.referredSignal(part, 'of', 'temperature')
    const cold = point.modes[part.mode.snap] === 1
    const [above, below] = closedAt(part) ? ['opens-at', 'closes-at'] : ['closes-at', 'opens-at']
    if (cold && warm >= point.values[part.param[above]]) request(part.mode.snap, 0)
    if (!cold && warm <= point.values[part.param[below]]) request(part.mode.snap, 1)
  },
  signals: { closed: { description: 'contact closed', read: (part, point) => (closed(part, point) ? 1 : 0) } },
}
