import type { Live, Part, KindPhysics } from '../contract'

/** Ice slides off at this rate once it has come loose, m³/s. */
const SLIDES = 0.5e-3
/** Water left in the reservoir at which the pump takes no more up, m³. */
const DRAWN_DRY = 0.1e-3

/** Temperature of the plate; the state is what it is above the surroundings, K. */
const temperature = ({ state }: Part, live: Live): number => live.ambient + live.x[state.above]

const goal = (part: Part, live: Live): number => {
  const { param, mode } = part
  if (!live.of(part, 'compressor', 'runs')) return live.ambient
  if (live.referred(part, 'gas') && live.of(part, 'gas', 'open')) return live.v[param.hot]
  return live.m[mode.charge] ? live.v[param.cold] : live.ambient - 6
}

/** m³/s that freeze: in proportion to how cold the plate is below freezing, as long as water runs over it. */
const freezing = (part: Part, live: Live): number => {
  const warm = temperature(part, live)
  if (warm >= 0 || !live.of(part, 'feed', 'runs') || live.of(part, 'of', 'volume') < DRAWN_DRY) return 0
  return live.v[part.param.freezes] * Math.min(1.2, warm / live.v[part.param.cold])
}

export const physics: KindPhysics = {
  rates(part, live, dx) {
    const { state, param, mode, word } = part
    dx[state.above] += (goal(part, live) - temperature(part, live)) / live.v[param.settles]
    const rate = freezing(part, live)
    const sump = live.referred(part, 'of')!
    dx[sump.state.volume] -= rate
    if (word.style === 'flake') dx[state.made] += rate
    else dx[state.ice] += rate
    if (live.m[mode['letting-go']]) {
      dx[state.ice] -= SLIDES
      dx[state.made] += SLIDES
    }
  },
  react(part, live, want) {
    const { state, param, mode } = part
    const sliding = live.m[mode['letting-go']] === 1
    const ice = live.x[state.ice]
    if (!sliding && ice > 1e-5 && temperature(part, live) >= live.v[param['lets-go']]) want(mode['letting-go'], 1)
    if (sliding && ice <= 0) want(mode['letting-go'], 0)
  },
  signals: {
    temperature: { about: 'temperature of the plate', dimension: 'temperature', read: temperature },
    ice: { about: 'ice on the plate', dimension: 'volume', read: ({ state }, { x }) => x[state.ice] },
    made: { about: 'ice made', dimension: 'volume', read: ({ state }, { x }) => x[state.made] },
    frosted: { about: 'frost or ice stands on it', read: (part, live) => (temperature(part, live) < 0 ? 1 : 0) },
    drops: { about: 'ice drops', read: ({ mode }, { m }) => m[mode['letting-go']] },
  },
  active: 'frosted',
}
