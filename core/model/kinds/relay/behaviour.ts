import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    const pulled = modes[mode.armature] === 1
    // With its armature away the iron is open: it draws several times what holds it.
    const henries = values[param.henries] * (pulled ? 1 : values[param.released])
    if (modes[mode.coil]) emit({ type: 'RL', a: nodes.a, b: nodes.b, ohms: values[param.ohms], henries })
    const ohms = values[param['contact-ohms']]
    if (!pulled) emit({ type: 'R', a: nodes.com, b: nodes.nc, ohms })
    else if (modes[mode.no]) emit({ type: 'R', a: nodes.com, b: nodes.no, ohms })
  },
  transition({ nodes, param, mode }, point, request) {
    const volts = point.modes[mode.coil] ? point.volts(nodes.a, nodes.b) : 0
    const pulled = point.modes[mode.armature] === 1
    if (!pulled && volts >= point.values[param['pull-in']]) request(mode.armature, 1)
    if (pulled && volts < point.values[param['drop-out']]) request(mode.armature, 0)
  },
  signals: {
    pulled: { description: 'it pulls in', read: ({ mode }, { modes }) => modes[mode.armature] },
    chatters: {
      description: 'it buzzes and does not pull in',
      read: ({ nodes, param, mode }, point) =>
        point.modes[mode.coil] &&
        !point.modes[mode.armature] &&
        point.volts(nodes.a, nodes.b) >= point.values[param['drop-out']]
          ? 1
          : 0,
    },
  },
  active: 'pulled',
}
