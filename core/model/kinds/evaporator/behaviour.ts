import type { PointView, Part, KindBehaviour } from '../contract'

/** Ice slides off at this rate once it has come loose, m³/s. */
const SLIDES = 0.5e-3
/** Water left in the reservoir at which the pump takes no more up, m³. */
const DRAWN_DRY = 0.1e-3

/** Temperature of the plate; the state is what it is above the surroundings, K. */
const temperature = ({ state }: Part, point: PointView): number => point.ambient + point.states[state.above]

/** How much less cold it gets for each share of the heat that the condenser keeps, K. */
const KEPT_HEAT = 22

const warmer = (part: Part, point: PointView): number =>
  point.referred(part, 'condenser') ? KEPT_HEAT * (1 - point.referredSignal(part, 'condenser', 'cooling')) : 0

const goal = (part: Part, point: PointView): number => {
  const { param, mode } = part
  if (!point.referredSignal(part, 'compressor', 'runs')) return point.ambient
  if (point.referred(part, 'gas') && point.referredSignal(part, 'gas', 'open')) return point.values[param.hot]
  return point.modes[mode.charge] ? point.values[param.cold] + warmer(part, point) : point.ambient - 6
}

/** What freezing takes from water would cool it by so many kelvin: 334 kJ/kg over 4.18 kJ/(kg·K). */
const FREEZING_COOLS = 80
/** Water that runs over a plate and back is cooled before it freezes: within so many kelvin of freezing it begins to. */
const BEGINS_TO_FREEZE = 1

/** m³/s that would freeze at freezing point: in proportion to how cold the plate is below it, as long as water runs over it. */
const freezing = (part: Part, point: PointView): number => {
  const warm = temperature(part, point)
  if (
    warm >= 0 ||
    !point.referredSignal(part, 'feed', 'runs') ||
    point.referredSignal(part, 'of', 'volume') < DRAWN_DRY
  )
    return 0
  return point.values[part.param.freezes] * Math.min(1.2, warm / point.values[part.param.cold])
}

export const kindBehaviour: KindBehaviour = {
  rates(part, point, derivatives) {
    const { state, param, mode, choice } = part
    derivatives[state.above] += (goal(part, point) - temperature(part, point)) / point.values[param.settles]
    const sump = point.referred(part, 'of')!
    const water = point.referredSignal(part, 'of', 'temperature')
    const could = freezing(part, point)
    // On a plate the water comes back, colder; a barrel freezes what it takes.
    const rate = choice.style === 'flake' ? could : could * Math.max(0, 1 - Math.max(0, water) / BEGINS_TO_FREEZE)
    // What freezes leaves with the warmth it had.
    derivatives[sump.state.volume] -= rate
    derivatives[sump.state.warmth] -= rate * (water - point.ambient) + (could - rate) * FREEZING_COOLS
    if (choice.style === 'flake') derivatives[state.made] += rate
    else derivatives[state.ice] += rate
    if (point.modes[mode['letting-go']]) {
      derivatives[state.ice] -= SLIDES
      derivatives[state.made] += SLIDES
    }
  },
  transition(part, point, request) {
    const { state, param, mode } = part
    const sliding = point.modes[mode['letting-go']] === 1
    const ice = point.states[state.ice]
    if (!sliding && ice > 1e-5 && temperature(part, point) >= point.values[param['lets-go']])
      request(mode['letting-go'], 1)
    if (sliding && ice <= 0) request(mode['letting-go'], 0)
  },
  signals: {
    temperature: { description: 'temperature of the plate', dimension: 'temperature', read: temperature },
    ice: { description: 'ice on the plate', dimension: 'volume', read: ({ state }, { states }) => states[state.ice] },
    made: { description: 'ice made', dimension: 'volume', read: ({ state }, { states }) => states[state.made] },
    frosted: {
      description: 'frost or ice stands on it',
      from: '0 °C downwards',
      read: (part, point) => (temperature(part, point) < 0 ? 1 : 0),
    },
    drops: { description: 'ice drops', read: ({ mode }, { modes }) => modes[mode['letting-go']] },
  },
  active: 'frosted',
}
