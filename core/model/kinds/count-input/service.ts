import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'figure', what: 'display', signal: 'counted', when: 'settled' },
    { id: 'volts', what: 'volts', a: 'in', b: 'com', when: 'settled' },
  ],
  faults: {
    dead: {
      title: 'counting input dead',
      effects: [{ mode: 'life', at: 'dead' }],
      ratePerYear: 0.001,
      cure: 'replace',
    },
  },
}
