import type { Live, Part, KindPhysics } from '../contract'
import { copper } from '../copper'

/** Slope of the regulator above its rated flow: +10 % of flow for 7 bar more. */
const REGULATOR_SPAN = 7e5

const coilVolts = ({ e, mode }: Part, live: Live): number => (live.m[mode.coil] ? live.volts(e.a, e.b) : 0)

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m, ambient }, emit) {
    if (m[mode.coil] === 0) return
    const henries = m[mode.plunger] ? v[param['henries-in']] : v[param['henries-out']]
    emit({ t: 'RL', a: e.a, b: e.b, ohms: v[param.ohms] * copper(ambient), henries })
  },
  flow({ w, param, mode }, { v, m }, emit) {
    if (m[mode.passage] === 0) return
    const rated = v[param.rated]
    emit({
      from: w.in,
      to: w.out,
      square: 1e5 / v[param.passes] ** 2,
      linear: 1e5,
      rated,
      beyond: REGULATOR_SPAN / (0.1 * rated),
      head: 0,
      oneWay: true,
    })
  },
  react(part, live, want) {
    const { w, param, mode, word } = part
    const volts = coilVolts(part, live)
    const pulled = live.m[mode.plunger] === 1
    if (!pulled && volts >= live.v[param['pull-in']]) return want(mode.plunger, 1)
    if (pulled && volts < live.v[param['drop-out']]) return want(mode.plunger, 0)
    const lifted = pulled !== (word.rest === 'open')
    const open = live.m[mode.passage] === 1
    // A pilot valve needs its minimum differential to lift; once open it stays so while the plunger is lifted.
    const enough = () => word.rest === 'open' || live.pressure(w.in) - live.pressure(w.out) >= live.v[param['opens-at']]
    if (!open && lifted && enough()) want(mode.passage, 1)
    if (open && !lifted) want(mode.passage, 0)
  },
  signals: {
    energised: {
      about: 'coil has enough voltage to pull',
      read: (part, live) => (coilVolts(part, live) >= live.v[part.param['pull-in']] ? 1 : 0),
    },
    hums: {
      about: 'the coil hums',
      read: (part, live) => (coilVolts(part, live) >= 0.4 * live.v[part.param['pull-in']] ? 1 : 0),
    },
    buzzes: {
      about: 'it buzzes loudly',
      read: (part, live) =>
        coilVolts(part, live) >= 0.4 * live.v[part.param['pull-in']] && !live.m[part.mode.plunger] ? 1 : 0,
    },
    flow: { about: 'flow through the valve', dimension: 'flow', read: (part, live) => live.flow(part) },
    passes: { about: 'water runs through it', read: (part, live) => (live.flow(part) > 0.2e-3 / 60 ? 1 : 0) },
  },
  active: 'energised',
}
