import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode, choice }, { values, modes }, emit) {
    if (modes[mode.contact]) emit({ type: 'R', a: nodes.com, b: nodes.out, ohms: values[param.ohms] })
    if (choice.snubber === 'fitted')
      emit({
        type: 'RC',
        a: nodes.com,
        b: nodes.out,
        ohms: values[param['snubber-ohms']],
        farads: values[param['snubber-farads']],
      })
  },
  transition({ mode }, { modes }, request) {
    if (modes[mode.contact] !== modes[mode.called]) request(mode.contact, modes[mode.called])
  },
  signals: { called: { description: 'the control calls for it', read: ({ mode }, { modes }) => modes[mode.called] } },
  active: 'called',
}
