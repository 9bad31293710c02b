import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'primary-volts', type: 'volts', a: 'p1', b: 'p2', when: 'active' },
    { id: 'secondary-volts', type: 'volts', a: 's1', b: 's2', when: 'active' },
    { id: 'primary-ohms', type: 'ohms', a: 'p1', b: 'p2', when: 'isolated', lifted: true },
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
