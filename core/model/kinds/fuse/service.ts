import type { KindService } from '../contract'
import { DEAD } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'to-return', type: 'volts', a: '2', b: '@return', when: 'active' },
  ],
  faults: {
    blown: { title: 'fuse blown', effects: [{ mode: 'link', at: 'blown' }], ratePerYear: 0.01, cure: 'replace' },
  },
  works: {
    replace: {
      steps: [
        'Find why it blew before a new one goes in: a shorted coil, a wet motor, a pinched wire',
        DEAD,
        'Same rating, same speed, same size, holder bright and tight',
        { do: 'Power back with the loads off, then one by one', caution: 'Never a larger fuse, never a wire' },
        'Measure the current of what it feeds against its rating',
      ],
      proved: 'near zero across it before it goes in',
    },
  },
}
