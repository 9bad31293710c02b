import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'worked', type: 'worked', when: 'isolated' },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
  ],
  faults: {
    'stuck-open': {
      title: 'button does not close',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.015,
      intermittentShare: 0.3,
      cure: 'replace',
    },
    'stuck-closed': {
      title: 'button stays closed',
      effects: [{ mode: 'contact', at: 'closed' }],
      ratePerYear: 0.004,
      cure: 'replace',
    },
  },
  works: {
    replace: changed('open at rest, near zero while it is pressed'),
  },
}
