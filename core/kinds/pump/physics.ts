import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.winding]) emit({ type: 'RL', a: e.a, b: e.b, ohms: v[param.ohms], henries: v[param.henries] })
  },
  flow({ w, param, mode }, { v, m }, emit) {
    if (m[mode.primed] === 0) return
    const head = m[mode.turning] ? v[param.head] : 0
    emit({
      from: w.in,
      to: w.out,
      quadratic: 1e5 / v[param.passes] ** 2,
      linear: 1e5,
      ratedFlow: Infinity,
      regulatorSlope: 0,
      pressureRise: head,
      oneWay: true,
    })
  },
  react(part, live, want) {
    const { e, param, mode } = part
    const volts = live.m[mode.winding] ? live.volts(e.a, e.b) : 0
    const turning = live.m[mode.turning] === 1
    if (!turning && volts >= live.v[param.starts]) want(mode.turning, 1)
    if (turning && volts < live.v[param.starts] * 0.6) want(mode.turning, 0)
    const level = live.of(part, 'of', 'level')
    const primed = live.m[mode.primed] === 1
    if (!primed && level >= live.v[param['primes-at']]) want(mode.primed, 1)
    if (primed && level <= live.v[param['primes-at']] / 2) want(mode.primed, 0)
  },
  signals: {
    runs: { about: 'it turns', read: ({ mode }, { m }) => m[mode.turning] },
    hums: {
      about: 'it hums or turns',
      read: ({ e, mode, param }, live) =>
        live.m[mode.winding] && live.volts(e.a, e.b) > 0.4 * live.v[param.starts] ? 1 : 0,
    },
    throws: { about: 'water leaves at the waste', read: (part, live) => (live.flow(part) > 1e-3 / 60 ? 1 : 0) },
  },
  active: 'runs',
}
