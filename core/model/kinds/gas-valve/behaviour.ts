import { coilSignals, plungerTransition, stampCoil } from '../coil'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp: stampCoil,
  transition(part, point, request) {
    const plunger = plungerTransition(part, point)
    if (plunger !== undefined) request(part.mode.plunger, plunger)
  },
  signals: {
    ...coilSignals,
    open: {
      description: 'hot gas passes',
      read: ({ mode }, { modes }) => (modes[mode.plunger] || !modes[mode.seat] ? 1 : 0),
    },
  },
  active: 'energised',
}
