import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'look', what: 'sense', signal: 'weeps', sense: 'eye', when: 'dead', minutes: 3 }],
  faults: {
    weeps: { title: 'joint weeps', effects: [{ mode: 'seal', at: 'weeps' }], perYear: 0.02, cure: 'remake' },
  },
}
