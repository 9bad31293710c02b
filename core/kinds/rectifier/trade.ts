import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [
    { id: 'ac-volts', what: 'volts', a: 'ac1', b: 'ac2', when: 'active' },
    { id: 'dc-volts', what: 'volts', a: 'plus', b: 'minus', when: 'active' },
  ],
  faults: {
    open: { title: 'rectifier open', effects: [{ mode: 'diodes', at: 'dead' }], perYear: 0.006, cure: 'replace' },
    'one-diode-open': {
      title: 'one diode of the rectifier open',
      effects: [{ mode: 'diodes', at: 'halved' }],
      perYear: 0.003,
      cure: 'replace',
    },
  },
}
