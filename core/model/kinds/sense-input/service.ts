import type { KindService, ProbeSpec } from '../contract'

export const kindService: KindService = {
  // With a short lead across its terminals the input must answer: that tells what hangs on it from the board.
  probes: ({ choice }): ProbeSpec[] => [
    ...(choice.shows === 'lamp'
      ? [{ id: 'lamp', what: 'sense', signal: 'closed', sense: 'eye', when: 'active' } as const]
      : []),
    ...(choice.shows === 'lamp' && choice.lead === 'allowed'
      ? [
          {
            id: 'bridged',
            what: 'sense',
            signal: 'closed',
            sense: 'eye',
            when: 'idle',
            with: { bridge: 'on' },
            minutes: 2,
          } as const,
        ]
      : []),
  ],
  faults: {
    dead: { title: 'control input dead', effects: [{ mode: 'life', at: 'dead' }], ratePerYear: 0.002, cure: 'replace' },
  },
}
