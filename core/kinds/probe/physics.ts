import type { KindPhysics, Live, Part } from '../contract'

/** Water that `wet-ohms` is given for, S/m. */
const TAP_WATER = 0.05
/** No water conducts less than this, S/m. */
const PURE = 1e-5

const wetOhms = (part: Part, live: Live): number =>
  live.referred(part, 'water')
    ? (live.v[part.param['wet-ohms']] * TAP_WATER) / Math.max(PURE, live.of(part, 'water', 'conductivity'))
    : live.v[part.param['wet-ohms']]

export const physics: KindPhysics = {
  stamp(part, live, emit) {
    const { e, mode } = part
    const skin = live.m[mode.skin]
    if (skin === 1 || (skin === 2 && live.m[mode.wet]))
      emit({ type: 'R', a: e.tip, b: e.shell, ohms: wetOhms(part, live) })
  },
  signals: {
    coated: { about: 'scale sits on it or on its insulator', read: ({ mode }, { m }) => (m[mode.skin] < 2 ? 1 : 0) },
  },
  react(part, live, want) {
    const level = live.of(part, 'of', 'level')
    const wet = live.m[part.mode.wet] === 1
    const at = live.v[part.param.at]
    if (!wet && level >= at) want(part.mode.wet, 1)
    if (wet && level < at - 0.002) want(part.mode.wet, 0)
  },
}
