import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.coil])
      emit({ type: 'RL', a: nodes.a, b: nodes.b, ohms: values[param.ohms], henries: values[param.henries] })
    const ohms = values[param['contact-ohms']]
    if (modes[mode.armature] === 0) emit({ type: 'R', a: nodes.com, b: nodes.nc, ohms })
    else if (modes[mode.no]) emit({ type: 'R', a: nodes.com, b: nodes.no, ohms })
  },
  transition({ nodes, param, mode }, point, request) {
    const volts = point.modes[mode.coil] ? point.volts(nodes.a, nodes.b) : 0
    const pulled = point.modes[mode.armature] === 1
    if (!pulled && volts >= point.values[param['pull-in']]) request(mode.armature, 1)
    if (pulled && volts < point.values[param['drop-out']]) request(mode.armature, 0)
  },
  signals: { pulled: { description: 'it pulls in', read: ({ mode }, { modes }) => modes[mode.armature] } },
  active: 'pulled',
}
