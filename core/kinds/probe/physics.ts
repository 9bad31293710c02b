import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    const skin = m[mode.skin]
    if (skin === 1 || (skin === 2 && m[mode.wet])) emit({ t: 'R', a: e.tip, b: e.shell, ohms: v[param['wet-ohms']] })
  },
  react(part, live, want) {
    const level = live.of(part, 'of', 'level')
    const wet = live.m[part.mode.wet] === 1
    const at = live.v[part.param.at]
    if (!wet && level >= at) want(part.mode.wet, 1)
    if (wet && level < at - 0.002) want(part.mode.wet, 0)
  },
}
