import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode, word }, { v, m }, emit) {
    if (m[mode.contact]) emit({ type: 'R', a: e.com, b: e.out, ohms: v[param.ohms] })
    if (word.snubber === 'fitted')
      emit({ type: 'RC', a: e.com, b: e.out, ohms: v[param['snubber-ohms']], farads: v[param['snubber-farads']] })
  },
  react({ mode }, { m }, want) {
    if (m[mode.contact] !== m[mode.called]) want(mode.contact, m[mode.called])
  },
  signals: { called: { about: 'the control calls for it', read: ({ mode }, { m }) => m[mode.called] } },
  active: 'called',
}
