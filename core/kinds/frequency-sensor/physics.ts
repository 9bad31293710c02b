import type { Live, Part, KindPhysics } from '../contract'

const works = ({ e, param, mode }: Part, live: Live): boolean =>
  live.m[mode.cell] > 0 && live.dcVolts(e.supply, e.com) >= live.v[param.wakes]

/** Frequency that the cell makes; it falls as the level rises. */
const hertz = (part: Part, live: Live): number => {
  const { param, mode } = part
  if (!works(part, live)) return 0
  const pressure = live.m[mode.cell] === 1 ? 0 : live.of(part, 'tube', 'pressure')
  return live.v[param['empty-hertz']] - (live.v[param.falls] * pressure) / live.v[param['full-pressure']]
}

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    emit({ type: 'R', a: e.supply, b: e.com, ohms: v[param.ohms] })
    // The square wave by its mean: what reaches the input of the control shows whether the line is whole.
    if (m[mode.awake]) emit({ type: 'VDC', a: e.out, b: e.com, ohms: v[param['out-ohms']], volts: v[param.swing] })
  },
  react(part, live, want) {
    const { mode } = part
    const awake = works(part, live) ? 1 : 0
    if (live.m[mode.awake] !== awake) want(mode.awake, awake)
  },
  signals: {
    hertz: { about: 'frequency it gives', dimension: 'frequency', read: hertz },
    works: { about: 'it gives a frequency', read: (part, live) => (works(part, live) ? 1 : 0) },
  },
  active: 'works',
}
