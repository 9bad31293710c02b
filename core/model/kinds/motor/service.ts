import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'runs', type: 'sense', signal: 'runs', sense: 'ear', when: 'active' },
  ],
  faults: {
    'winding-open': {
      title: 'motor winding open',
      effects: [{ mode: 'winding', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    seized: { title: 'motor seized', effects: [{ mode: 'turning', at: 'still' }], ratePerYear: 0.008, cure: 'replace' },
  },
}
