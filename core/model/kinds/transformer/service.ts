import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'primary-volts', what: 'volts', a: 'p1', b: 'p2', when: 'active' },
    { id: 'secondary-volts', what: 'volts', a: 's1', b: 's2', when: 'active' },
    { id: 'primary-ohms', what: 'ohms', a: 'p1', b: 'p2', when: 'dead', lifted: true },
  ],
  faults: {
    open: {
      title: 'transformer burnt out',
      effects: [{ mode: 'winding', at: 'open' }],
      ratePerYear: 0.008,
      cure: 'replace',
    },
  },
}
