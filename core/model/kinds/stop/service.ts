import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'look', type: 'sense', signal: 'open', sense: 'eye', plain: true, when: 'isolated' }],
  faults: {
    shut: {
      title: 'stop valve shut',
      saidWith: { moved: 0.3, plumbing: 0.4, 'worked-on': 0.2 },
      effects: [{ mode: 'open', at: 'shut' }],
      ratePerYear: 0.04,
      cure: 'restore',
    },
  },
}
