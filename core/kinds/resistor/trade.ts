import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'ohms', what: 'ohms', a: '1', b: '2', when: 'dead', lifted: true }],
  faults: {
    open: { title: 'resistor open', effects: [{ mode: 'body', at: 'open' }], perYear: 0.004, cure: 'replace' },
  },
}
