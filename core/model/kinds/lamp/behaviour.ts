import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.filament]) emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] })
  },
  signals: {
    lit: {
      description: 'it is lit',
      read: ({ nodes, param, mode }, point) =>
        point.modes[mode.filament] && point.volts(nodes.a, nodes.b) >= point.values[param.lights] ? 1 : 0,
    },
  },
  active: 'lit',
}
