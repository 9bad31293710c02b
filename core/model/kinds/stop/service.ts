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
  works: {
    restore: {
      steps: [
        {
          do: 'Ask who shut it and why, look at every joint behind it',
          caution: 'Something may have been taken off behind it',
        },
        'Open it slowly, fully, then a quarter turn back',
        'Every joint behind it looked at under pressure',
      ],
    },
  },
}
