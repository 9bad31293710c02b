import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'supply-volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'across', type: 'volts', a: 'com', b: 'no', when: 'active' },
  ],
  faults: {
    'never-closes': {
      title: 'timer never closes its contact',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
}
