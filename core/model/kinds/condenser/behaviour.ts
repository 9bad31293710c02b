import type { KindBehaviour, Part, PointView } from '../contract'

/** Share of the usual heat that it gives off, 0 … 1. */
const cooling = (part: Part, point: PointView): number =>
  point.values[part.param.clear] *
  (point.referredSignal(part, 'fan', 'runs') > 0.5 ? 1 : point.values[part.param.still])

export const kindBehaviour: KindBehaviour = {
  signals: {
    cooling: { description: 'share of its usual heat that it gives off', dimension: 'ratio', read: cooling },
    dirty: {
      description: 'its fins or its filter are clogged',
      read: ({ param }, { values }) => (values[param.clear] < 0.7 ? 1 : 0),
    },
    hot: {
      description: 'it is far hotter than it should be',
      read: (part, point) =>
        point.referredSignal(part, 'compressor', 'runs') > 0.5 && cooling(part, point) < 0.6 ? 1 : 0,
    },
  },
}
