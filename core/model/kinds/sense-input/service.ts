import type { KindService, MeasurementSpec } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  // With a short lead across its terminals the input must answer: that tells what hangs on it from the board.
  measurements: ({ choice }): MeasurementSpec[] => [
    ...(choice.shows === 'lamp'
      ? [{ id: 'lamp', type: 'sense', signal: 'closed', sense: 'eye', plain: true, when: 'active' } as const]
      : []),
    ...(choice.shows === 'lamp' && choice.lead === 'allowed'
      ? [
          {
            id: 'bridged',
            type: 'sense',
            signal: 'closed',
            sense: 'eye',
            plain: true,
            when: 'idle',
            held: { bridge: 'on' },
            bridges: true,
            minutes: 2,
          } as const,
        ]
      : []),
  ],
  faults: {
    dead: { title: 'control input dead', effects: [{ mode: 'life', at: 'dead' }], ratePerYear: 0.002, cure: 'replace' },
  },
  works: {
    replace: controlChanged,
  },
}
