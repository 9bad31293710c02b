import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'set-volts', type: 'volts', a: 'set', b: 'back', when: 'active' },
    { id: 'set-ohms', type: 'ohms', a: 'set', b: 'back', when: 'isolated', lifted: true },
    { id: 'reset-ohms', type: 'ohms', a: 'reset', b: 'back', when: 'isolated', lifted: true },
    { id: 'across', type: 'volts', a: 'com', b: 'no', when: 'active' },
  ],
  faults: {
    'coils-open': {
      title: 'coils of the latching relay open',
      effects: [{ mode: 'coils', at: 'open' }],
      ratePerYear: 0.008,
      cure: 'replace',
    },
    'contact-burnt': {
      title: 'relay contact burnt',
      effects: [{ mode: 'no', at: 'burnt' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    welded: { title: 'relay stays set', effects: [{ mode: 'latch', at: 'set' }], ratePerYear: 0.006, cure: 'replace' },
  },
  works: {
    replace: changed('ohms of both its windings, its contact over and back'),
  },
}
