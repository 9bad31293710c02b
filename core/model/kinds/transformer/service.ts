import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'primary-volts', type: 'volts', a: 'p1', b: 'p2', when: 'active' },
    { id: 'secondary-volts', type: 'volts', a: 's1', b: 's2', when: 'active' },
    { id: 'primary-ohms', type: 'ohms', a: 'p1', b: 'p2', when: 'isolated', lifted: true },
  ],
  faults: {
    open: {
      title: 'transformer burnt out',
      effects: [{ mode: 'winding', at: 'open' }],
      ratePerYear: 0.008,
      cure: 'replace',
    },
  },
  works: {
    replace: changed(
      'ohms of both windings; volts on its secondary unloaded, then with every load',
      'Find what overloaded the old one: a shorted coil in its circuit kills the next',
    ),
  },
}
