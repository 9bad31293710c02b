import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'supply-volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'across', type: 'volts', a: 'com', b: 'no', when: 'active' },
  ],
  faults: {
    'never-closes': {
      title: 'timer never closes its contact',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
  works: {
    replace: changed(
      'its setting as on the old one, its time on a stop-watch twice',
      'Note the setting and the mode of the old one before it comes out',
    ),
  },
}
