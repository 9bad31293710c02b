import type { KindPhysics } from '../contract'

/** A short lead across the terminals, Ω. */
const LEAD = 0.2

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    if (m[mode.bridge]) emit({ type: 'R', a: e.in, b: e.com, ohms: LEAD })
    emit({ type: 'VDC', a: e.in, b: e.com, ohms: v[param.ohms], volts: v[param.volts] })
  },
  signals: {
    closed: {
      about: 'the control sees its two terminals joined',
      read: ({ e, param, mode }, live) =>
        live.m[mode.life] && Math.abs(live.dcVolts(e.in, e.com)) < live.v[param.volts] / 2 ? 1 : 0,
    },
  },
  active: 'closed',
}
