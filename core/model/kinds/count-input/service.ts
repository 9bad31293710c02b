import type { KindService } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'figure', type: 'display', signal: 'counted', when: 'settled' },
    { id: 'volts', type: 'volts', a: 'in', b: 'com', when: 'settled' },
  ],
  faults: {
    dead: {
      title: 'counting input dead',
      effects: [{ mode: 'life', at: 'dead' }],
      ratePerYear: 0.001,
      cure: 'replace',
    },
  },
  works: {
    replace: controlChanged,
  },
}
