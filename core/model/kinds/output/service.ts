import type { KindService } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'across', type: 'volts', a: 'com', b: 'out', when: 'active' },
    { id: 'to-return', type: 'volts', a: 'out', b: '@return', when: 'active' },
    // All that hangs on it in one reading: wire, plug, coil, return.
    { id: 'loop', type: 'ohms', a: 'out', b: '@return', when: 'isolated', lifted: false },
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
  works: {
    replace: controlChanged,
  },
}
