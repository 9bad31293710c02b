import type { KindPhysics } from '../contract'
import { coilSignals, coilVolts, plungerWants, stampCoil } from '../coil'

/** Slope of the regulator above its rated flow: +10 % of flow for 7 bar more. */
const REGULATOR_SPAN = 7e5

export const physics: KindPhysics = {
  stamp: stampCoil,
  flow({ w, param, mode }, { v, m }, emit) {
    if (m[mode.passage] === 0) return
    const rated = v[param.rated]
    emit({
      from: w.in,
      to: w.out,
      quadratic: 1e5 / v[param.passes] ** 2,
      linear: 1e5,
      ratedFlow: rated,
      regulatorSlope: REGULATOR_SPAN / (0.1 * rated),
      pressureRise: 0,
      oneWay: true,
    })
  },
  react(part, live, want) {
    const { w, param, mode, word } = part
    const plunger = plungerWants(part, live)
    if (plunger !== undefined) return want(mode.plunger, plunger)
    const pulled = live.m[mode.plunger] === 1
    const lifted = pulled !== (word.rest === 'open')
    const open = live.m[mode.passage] === 1
    // A pilot valve needs its minimum differential to lift; once open it stays so while the plunger is lifted.
    const enough = () => word.rest === 'open' || live.pressure(w.in) - live.pressure(w.out) >= live.v[param['opens-at']]
    if (!open && lifted && enough()) want(mode.passage, 1)
    if (open && !lifted) want(mode.passage, 0)
  },
  signals: {
    ...coilSignals,
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
