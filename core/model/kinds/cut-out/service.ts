import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
  ],
  faults: {
    tripped: {
      title: 'cut-out tripped',
      effects: [{ mode: 'contact', at: 'tripped' }],
      ratePerYear: 0.02,
      cure: 'restore',
    },
    welded: {
      title: 'cut-out does not open',
      effects: [{ mode: 'contact', at: 'closed' }],
      ratePerYear: 0.002,
      cure: 'replace',
    },
  },
}
