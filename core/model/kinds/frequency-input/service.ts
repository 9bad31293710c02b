import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [{ id: 'figure', what: 'display', signal: 'hertz', when: 'settled' }],
  faults: {
    dead: {
      title: 'frequency input dead',
      effects: [{ mode: 'life', at: 'dead' }],
      ratePerYear: 0.002,
      cure: 'replace',
    },
  },
}
