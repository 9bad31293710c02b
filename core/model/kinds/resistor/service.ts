import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true }],
  faults: {
    open: { title: 'resistor open', effects: [{ mode: 'body', at: 'open' }], ratePerYear: 0.004, cure: 'replace' },
  },
}
