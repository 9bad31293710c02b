import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'
import { coilSignals, hummingVolts, plungerTransition, stampCoil } from '../coil'

/** Slope of the regulator above its rated flow: +10 % of flow for 7 bar more. */
const REGULATOR_SPAN = 7e5

export const kindBehaviour: KindBehaviour = {
  stamp: stampCoil,
  links({ ports, param, mode }, { values, modes }, emit) {
    if (modes[mode.passage] === 0) return
    const ratedFlow = values[param.rated]
    emit({
      ...linkOfKv(ports.in, ports.out, values[param.passes]),
      ratedFlow,
      regulatorSlope: REGULATOR_SPAN / (0.1 * ratedFlow),
      oneWay: true,
    })
  },
  transition(part, point, request) {
    const { ports, param, mode, choice } = part
    const plunger = plungerTransition(part, point)
    if (plunger !== undefined) return request(mode.plunger, plunger)
    const pulled = point.modes[mode.plunger] === 1
    const lifted = pulled !== (choice.rest === 'open')
    const open = point.modes[mode.passage] === 1
    // A pilot valve needs its minimum differential to lift; once open it stays so while the plunger is lifted.
    const enough = () =>
      choice.rest === 'open' || point.pressure(ports.in) - point.pressure(ports.out) >= point.values[param['opens-at']]
    if (!open && lifted && enough()) request(mode.passage, 1)
    if (open && !lifted) request(mode.passage, 0)
  },
  signals: {
    ...coilSignals,
    buzzes: {
      description: 'it buzzes loudly',
      read: (part, point) =>
        hummingVolts(part, point) >= 0.4 * point.values[part.param['pull-in']] && !point.modes[part.mode.plunger]
          ? 1
          : 0,
    },
    flow: { description: 'flow through the valve', dimension: 'flow', read: (part, point) => point.flow(part) },
    passes: {
      description: 'water runs through it',
      from: '0.2 L/min',
      read: (part, point) => (point.flow(part) > 0.2e-3 / 60 ? 1 : 0),
    },
  },
  active: 'energised',
}
