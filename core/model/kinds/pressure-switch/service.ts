import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'empty-ohms', type: 'ohms', a: 'com', b: 'empty', when: 'isolated', lifted: true },
    { id: 'full-ohms', type: 'ohms', a: 'com', b: 'full', when: 'isolated', lifted: true },
    { id: 'worked', type: 'worked', when: 'isolated' },
    { id: 'empty-across', type: 'volts', a: 'com', b: 'empty', when: 'active' },
    { id: 'full-to-return', type: 'volts', a: 'full', b: '@return', when: 'active' },
  ],
  faults: {
    'stuck-empty': {
      title: 'pressure switch stays at empty',
      effects: [{ mode: 'contact', at: 'empty' }],
      ratePerYear: 0.012,
      cure: 'replace',
    },
    'stuck-full': {
      title: 'pressure switch stays at full',
      effects: [{ mode: 'contact', at: 'full' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    'no-contact': {
      title: 'pressure switch makes neither contact',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.005,
      intermittentShare: 0.2,
      cure: 'replace',
    },
  },
  works: {
    replace: changed(
      'works over and back when it is blown into softly, ten times',
      'Blow through its hose: clear, and dry',
    ),
  },
}
