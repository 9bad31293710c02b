import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'look', what: 'sense', signal: 'open', sense: 'eye', when: 'dead' }],
  faults: {
    shut: { title: 'stop valve shut', effects: [{ mode: 'open', at: 'shut' }], perYear: 0.04, cure: 'restore' },
  },
}
