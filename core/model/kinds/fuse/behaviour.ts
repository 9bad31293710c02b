import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.link]) emit({ type: 'R', a: nodes['1'], b: nodes['2'], ohms: values[param.ohms] })
  },
  transition(part, point, request) {
    const { param, mode } = part
    if (point.modes[mode.link] && point.amps(part) >= point.values[param['blows-at']]) request(mode.link, 0)
  },
  signals: { blown: { description: 'it has blown', read: ({ mode }, { modes }) => 1 - modes[mode.link] } },
}
