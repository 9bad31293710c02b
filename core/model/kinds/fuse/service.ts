import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'ohms', what: 'ohms', a: '1', b: '2', when: 'dead', lifted: true },
    { id: 'across', what: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'to-return', what: 'volts', a: '2', b: '@return', when: 'active' },
  ],
  faults: {
    blown: { title: 'fuse blown', effects: [{ mode: 'link', at: 'blown' }], ratePerYear: 0.01, cure: 'replace' },
  },
}
