import type { PointView, Part, KindBehaviour } from '../contract'

/** Which contact is made: 0 empty, 1 full, 2 none. */
const made = ({ mode }: Part, { modes }: PointView): number =>
  modes[mode.contact] < 3 ? modes[mode.contact] : modes[mode.snap]

export const kindBehaviour: KindBehaviour = {
  stamp(part, point, emit) {
    const at = made(part, point)
    if (at < 2)
      emit({
        type: 'R',
        a: part.nodes.com,
        b: at ? part.nodes.full : part.nodes.empty,
        ohms: point.values[part.param.ohms],
      })
  },
  transition(part, point, request) {
    const pressure = point.referredSignal(part, 'tube', 'pressure')
    const full = point.modes[part.mode.snap] === 1
    if (!full && pressure >= point.values[part.param.trip]) request(part.mode.snap, 1)
    if (full && pressure <= point.values[part.param.reset]) request(part.mode.snap, 0)
  },
  signals: {
    full: { description: 'it has tripped to full', read: (part, point) => (made(part, point) === 1 ? 1 : 0) },
    empty: { description: 'it stands at empty', read: (part, point) => (made(part, point) === 0 ? 1 : 0) },
  },
}
