import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [
    { id: 'figure', what: 'display', signal: 'counted', when: 'settled' },
    { id: 'volts', what: 'volts', a: 'in', b: 'com', when: 'settled' },
  ],
  faults: {
    dead: { title: 'counting input dead', effects: [{ mode: 'life', at: 'dead' }], perYear: 0.001, cure: 'replace' },
  },
}
