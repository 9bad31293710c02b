import { copperFactor } from '../copper'
import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes, ambient }, emit) {
    if (modes[mode.coil]) emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] * copperFactor(ambient) })
  },
  links({ ports, param, mode }, { values, modes }, emit) {
    if (modes[mode.passage]) emit({ ...linkOfKv(ports.in, ports.out, values[param.passes]), oneWay: true })
  },
  transition({ nodes, ports, param, mode }, point, request) {
    const volts = point.modes[mode.coil] ? point.dcVolts(nodes.a, nodes.b) : 0
    const latched = point.modes[mode.latch] === 1
    if (!latched && volts >= point.values[param.latches]) return request(mode.latch, 1)
    if (latched && volts <= -point.values[param.latches]) return request(mode.latch, 0)
    const open = point.modes[mode.passage] === 1
    if (!open && latched && point.pressure(ports.in) - point.pressure(ports.out) >= point.values[param['opens-at']])
      request(mode.passage, 1)
    if (open && !latched) request(mode.passage, 0)
  },
  signals: {
    latched: { description: 'latched open', read: ({ mode }, { modes }) => modes[mode.latch] },
    flow: { description: 'flow through the valve', dimension: 'flow', read: (part, point) => point.flow(part) },
    passes: {
      description: 'water runs through it',
      from: '0.2 L/min',
      read: (part, point) => (point.flow(part) > 0.2e-3 / 60 ? 1 : 0),
    },
  },
  active: 'latched',
}
