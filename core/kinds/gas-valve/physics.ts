import { coilSignals, plungerWants, stampCoil } from '../coil'
import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp: stampCoil,
  react(part, live, want) {
    const plunger = plungerWants(part, live)
    if (plunger !== undefined) want(part.mode.plunger, plunger)
  },
  signals: {
    ...coilSignals,
    open: { about: 'hot gas passes', read: ({ mode }, { m }) => (m[mode.plunger] || !m[mode.seat] ? 1 : 0) },
  },
  active: 'energised',
}
