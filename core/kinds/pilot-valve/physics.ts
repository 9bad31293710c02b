import { coilSignals, plungerWants, stampCoil } from '../coil'
import type { Live, Part, KindPhysics } from '../contract'

/** Whether the chamber is let out faster than the metering port fills it. */
const vented = ({ mode }: Part, { m }: Live): boolean =>
  m[mode.bleed] === 1 || ((m[mode.plunger] === 1 || m[mode.solenoid] === 1) && m[mode.exhaust] === 1)

export const physics: KindPhysics = {
  stamp: stampCoil,
  flow({ w, param, mode }, { v, m }, emit) {
    if (m[mode.passage] === 0 || m[mode['flow-control']] === 0) return
    emit({
      from: w.in,
      to: w.out,
      quadratic: 1e5 / v[param.passes] ** 2,
      linear: 1e5,
      ratedFlow: Infinity,
      regulatorSlope: 0,
      pressureRise: 0,
      oneWay: true,
    })
  },
  react(part, live, want) {
    const { w, param, mode } = part
    const { m } = live
    const plunger = plungerWants(part, live)
    if (plunger !== undefined) return want(mode.plunger, plunger)
    const open = m[mode.passage] === 1
    const lets = vented(part, live)
    if (!open && m[mode.diaphragm] !== 0) {
      const leaves = lets || m[mode.diaphragm] === 1 || m[mode.metering] === 0
      if (leaves && live.pressure(w.in) - live.pressure(w.out) >= live.v[param['opens-at']]) want(mode.passage, 1)
    }
    // It seats when the chamber fills again: not past a torn diaphragm, nor through a blocked metering port.
    if (open && !lets && m[mode.diaphragm] !== 1 && m[mode.metering] === 1) want(mode.passage, 0)
  },
  signals: {
    ...coilSignals,
    passes: { about: 'water runs through it', read: (part, live) => (live.flow(part) > 0.5e-3 / 60 ? 1 : 0) },
    throttled: { about: 'its flow control is screwed shut', read: ({ mode }, { m }) => 1 - m[mode['flow-control']] },
    bleeds: {
      about: 'water leaves at the bleed',
      read: ({ w, mode }, live) => (live.m[mode.bleed] === 1 && live.pressure(w.in) > 0.1e5 ? 1 : 0),
    },
  },
  active: 'energised',
}
