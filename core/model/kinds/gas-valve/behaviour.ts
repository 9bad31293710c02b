import { coilSignals, plungerTransition, stampCoil } from '../coil'
import type { KindBehaviour, Part, PointView } from '../contract'

const isOpen = (mode: Part['mode'], modes: PointView['modes']): boolean =>
  modes[mode.plunger] === 1 || !modes[mode.seat]

export const kindBehaviour: KindBehaviour = {
  stamp: stampCoil,
  transition(part, point, request) {
    const plunger = plungerTransition(part, point)
    if (plunger !== undefined) request(part.mode.plunger, plunger)
  },
  signals: {
    ...coilSignals,
    open: { description: 'it lets hot gas through', read: ({ mode }, { modes }) => (isOpen(mode, modes) ? 1 : 0) },
    hot: {
      description: 'the pipe behind it gets hot',
      read: (part, point) =>
        isOpen(part.mode, point.modes) &&
        (!point.referred(part, 'compressor') || point.referredSignal(part, 'compressor', 'runs'))
          ? 1
          : 0,
    },
  },
  active: 'energised',
}
