import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.contact]) emit({ type: 'R', a: nodes['1'], b: nodes['2'], ohms: values[param.ohms] })
  },
  signals: {
    out: { description: 'its reset button stands out', read: ({ mode }, { modes }) => 1 - modes[mode.contact] },
  },
}
