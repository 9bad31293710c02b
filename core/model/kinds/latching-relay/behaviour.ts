import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.coils]) {
      const coil = { type: 'RL', ohms: values[param.ohms], henries: values[param.henries] } as const
      emit({ ...coil, a: nodes.set, b: nodes.back })
      emit({ ...coil, a: nodes.reset, b: nodes.back })
    }
    if (modes[mode.latch] && modes[mode.no])
      emit({ type: 'R', a: nodes.com, b: nodes.no, ohms: values[param['contact-ohms']] })
  },
  transition({ nodes, param, mode }, point, request) {
    if (!point.modes[mode.coils]) return
    const least = point.values[param['pull-in']]
    const [sets, resets] = [point.volts(nodes.set, nodes.back) >= least, point.volts(nodes.reset, nodes.back) >= least]
    // Told both at once it stays.
    if (sets === resets) return
    if (sets && !point.modes[mode.latch]) request(mode.latch, 1)
    if (resets && point.modes[mode.latch]) request(mode.latch, 0)
  },
  signals: { set: { description: 'it is set', read: ({ mode }, { modes }) => modes[mode.latch] } },
  active: 'set',
}
