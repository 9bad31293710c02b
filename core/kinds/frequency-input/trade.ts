import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'figure', what: 'display', signal: 'hertz', when: 'settled' }],
  faults: {
    dead: { title: 'frequency input dead', effects: [{ mode: 'life', at: 'dead' }], perYear: 0.002, cure: 'replace' },
  },
}
