import type { KindBehaviour } from '../contract'

const [LIVE, NEUTRAL] = [0, 1]

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.closed] === 0) return
    if (modes[mode.burnt] !== LIVE) emit({ type: 'R', a: nodes.Lin, b: nodes.Lout, ohms: values[param.ohms] })
    if (modes[mode.burnt] !== NEUTRAL) emit({ type: 'R', a: nodes.Nin, b: nodes.Nout, ohms: values[param.ohms] })
  },
  signals: { on: { description: 'it is in and switched on', read: ({ mode }, { modes }) => modes[mode.closed] } },
}
