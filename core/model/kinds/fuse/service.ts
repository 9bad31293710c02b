import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'to-return', type: 'volts', a: '2', b: '@return', when: 'active' },
  ],
  faults: {
    blown: { title: 'fuse blown', effects: [{ mode: 'link', at: 'blown' }], ratePerYear: 0.01, cure: 'replace' },
  },
}
