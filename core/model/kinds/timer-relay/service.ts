import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'supply-volts', what: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'across', what: 'volts', a: 'com', b: 'no', when: 'active' },
  ],
  faults: {
    'never-closes': {
      title: 'timer never lets go',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
}
