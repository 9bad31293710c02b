import type { KindBehaviour, Part, PointView } from '../contract'

const motorAmps = (part: Part, point: PointView): number => point.amps(point.referred(part, 'of')!)

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.contact]) emit({ type: 'R', a: nodes['1'], b: nodes['2'], ohms: values[param.ohms] })
  },
  transition(part, point, request) {
    const { param, mode } = part
    const over = motorAmps(part, point) >= point.values[param['trips-at']] ? 1 : 0
    if (point.modes[mode.overloaded] !== over) return request(mode.overloaded, over)
    const due = over === 1 && point.time >= point.modeSince[mode.overloaded] + point.values[param.after] - 1e-9
    if (due && point.modes[mode.contact]) request(mode.contact, 0)
  },
  nextTimeEvent({ param, mode }, point) {
    return point.modes[mode.overloaded] && point.modes[mode.contact]
      ? point.modeSince[mode.overloaded] + point.values[param.after]
      : Infinity
  },
  signals: { tripped: { description: 'it has tripped', read: ({ mode }, { modes }) => 1 - modes[mode.contact] } },
}
