import type { KindService } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'supply-volts', type: 'volts', a: 'L', b: 'N', when: 'active' },
    { id: 'awake', type: 'sense', signal: 'powered', sense: 'eye', plain: true, when: 'active' },
  ],
  faults: {
    dead: { title: 'control board dead', effects: [{ mode: 'life', at: 'dead' }], ratePerYear: 0.008, cure: 'replace' },
  },
  works: {
    replace: controlChanged,
  },
}
