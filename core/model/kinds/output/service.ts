import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'across', what: 'volts', a: 'com', b: 'out', when: 'active' },
    { id: 'to-return', what: 'volts', a: 'out', b: '@return', when: 'active' },
  ],
  faults: {
    dead: {
      title: 'control output does not switch on',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    stuck: {
      title: 'control output stuck on',
      effects: [{ mode: 'contact', at: 'closed' }],
      ratePerYear: 0.004,
      cure: 'replace',
    },
  },
}
