import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'look', type: 'sense', signal: 'open', sense: 'eye', plain: true, when: 'isolated' }],
  faults: {
    shut: { title: 'stop valve shut', effects: [{ mode: 'open', at: 'shut' }], ratePerYear: 0.04, cure: 'restore' },
  },
}
