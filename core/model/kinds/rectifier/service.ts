import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ac-volts', type: 'volts', a: 'ac1', b: 'ac2', when: 'active' },
    { id: 'dc-volts', type: 'volts', a: 'plus', b: 'minus', when: 'active' },
  ],
  faults: {
    open: { title: 'rectifier open', effects: [{ mode: 'diodes', at: 'dead' }], ratePerYear: 0.006, cure: 'replace' },
    'one-diode-open': {
      title: 'one diode of the rectifier open',
      effects: [{ mode: 'diodes', at: 'halved' }],
      ratePerYear: 0.003,
      cure: 'replace',
    },
  },
}
