import type { KindService } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [{ id: 'figure', type: 'display', signal: 'hertz', when: 'settled' }],
  faults: {
    dead: {
      title: 'frequency input dead',
      effects: [{ mode: 'life', at: 'dead' }],
      ratePerYear: 0.002,
      cure: 'replace',
    },
  },
  works: {
    replace: controlChanged,
  },
}
