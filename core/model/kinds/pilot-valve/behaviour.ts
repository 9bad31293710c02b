import { linkOfKv } from '../link-of-kv'
import { coilSignals, plungerTransition, stampCoil } from '../coil'
import type { PointView, Part, KindBehaviour } from '../contract'

/** Whether the chamber is let out faster than the metering port fills it. */
const vented = ({ mode }: Part, { modes }: PointView): boolean =>
  modes[mode.bleed] === 1 || ((modes[mode.plunger] === 1 || modes[mode.solenoid] === 1) && modes[mode.exhaust] === 1)

export const kindBehaviour: KindBehaviour = {
  stamp: stampCoil,
  links({ ports, param, mode }, { values, modes }, emit) {
    if (modes[mode.passage] === 0 || modes[mode['flow-control']] === 0) return
    emit({ ...linkOfKv(ports.in, ports.out, values[param.passes]), oneWay: true })
  },
  transition(part, point, request) {
    const { ports, param, mode } = part
    const { modes } = point
    const plunger = plungerTransition(part, point)
    if (plunger !== undefined) return request(mode.plunger, plunger)
    const open = modes[mode.passage] === 1
    const lets = vented(part, point)
    if (!open && modes[mode.diaphragm] !== 0) {
      const leaves = lets || modes[mode.diaphragm] === 1 || modes[mode.metering] === 0
      if (leaves && point.pressure(ports.in) - point.pressure(ports.out) >= point.values[param['opens-at']])
        request(mode.passage, 1)
    }
    // It seats when the chamber fills again: not past a torn diaphragm, nor through a blocked metering port.
    if (open && !lets && modes[mode.diaphragm] !== 1 && modes[mode.metering] === 1) request(mode.passage, 0)
  },
  signals: {
    ...coilSignals,
    passes: {
      description: 'water runs through it',
      from: '0.5 L/min',
      read: (part, point) => (point.flow(part) > 0.5e-3 / 60 ? 1 : 0),
    },
    throttled: {
      description: 'its flow control is screwed shut',
      read: ({ mode }, { modes }) => 1 - modes[mode['flow-control']],
    },
    loose: { description: 'its bleed is loose', read: ({ mode }, { modes }) => modes[mode.bleed] },
    bleeds: {
      description: 'water leaves at the bleed',
      read: ({ ports, mode }, point) => (point.modes[mode.bleed] === 1 && point.pressure(ports.in) > 0.1e5 ? 1 : 0),
    },
  },
  active: 'energised',
}
