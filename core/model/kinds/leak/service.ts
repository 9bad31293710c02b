import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'look', type: 'sense', signal: 'weeps', sense: 'eye', when: 'isolated', minutes: 3 }],
  faults: {
    weeps: { title: 'joint weeps', effects: [{ mode: 'seal', at: 'weeps' }], ratePerYear: 0.02, cure: 'remake' },
  },
}
