import type { KindBehaviour } from '../contract'

/** A short lead across the terminals, Ω. */
const LEAD = 0.2

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.bridge]) emit({ type: 'R', a: nodes.in, b: nodes.com, ohms: LEAD })
    emit({ type: 'VDC', a: nodes.in, b: nodes.com, ohms: values[param.ohms], volts: values[param.volts] })
  },
  signals: {
    closed: {
      description: 'the control sees its two terminals joined',
      descriptionBy: { choice: 'shows', words: { lamp: 'its lamp is lit' } },
      read: ({ nodes, param, mode }, point) =>
        point.modes[mode.life] && Math.abs(point.dcVolts(nodes.in, nodes.com)) < point.values[param.volts] / 2 ? 1 : 0,
    },
  },
  active: 'closed',
}
