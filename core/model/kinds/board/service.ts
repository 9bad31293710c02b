import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'supply-volts', what: 'volts', a: 'L', b: 'N', when: 'active' },
    { id: 'awake', what: 'sense', signal: 'powered', sense: 'eye', when: 'active' },
  ],
  faults: {
    dead: { title: 'control board dead', effects: [{ mode: 'life', at: 'dead' }], ratePerYear: 0.008, cure: 'replace' },
  },
}
