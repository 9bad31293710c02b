import type { KindBehaviour, PointView, Part } from '../contract'

/** Water that `wet-ohms` is given for, S/m. */
const TAP_WATER = 0.05
/** No water conducts less than this, S/m. */
const PURE = 1e-5

const wetOhms = (part: Part, point: PointView): number =>
  point.referred(part, 'water')
    ? (point.values[part.param['wet-ohms']] * TAP_WATER) /
      Math.max(PURE, point.referredSignal(part, 'water', 'conductivity'))
    : point.values[part.param['wet-ohms']]

export const kindBehaviour: KindBehaviour = {
  stamp(part, point, emit) {
    const { nodes, mode } = part
    const skin = point.modes[mode.skin]
    if (skin === 1 || (skin === 2 && point.modes[mode.wet]))
      emit({ type: 'R', a: nodes.tip, b: nodes.shell, ohms: wetOhms(part, point) })
  },
  signals: {
    coated: {
      description: 'scale sits on it or on its insulator',
      read: ({ mode }, { modes }) => (modes[mode.skin] < 2 ? 1 : 0),
    },
  },
  transition(part, point, request) {
    const level = point.referredSignal(part, 'of', 'level')
    const wet = point.modes[part.mode.wet] === 1
    const at = point.values[part.param.at]
    if (!wet && level >= at) request(part.mode.wet, 1)
    if (wet && level < at - 0.002) request(part.mode.wet, 0)
  },
}
