import type { KindTrade, ProbeSpec } from '../contract'

export const trade: KindTrade = {
  // With a short lead across its terminals the input must answer: that tells what hangs on it from the board.
  probes: ({ word }): ProbeSpec[] => [
    ...(word.shows === 'lamp'
      ? [{ id: 'lamp', what: 'sense', signal: 'closed', sense: 'eye', when: 'active' } as const]
      : []),
    ...(word.shows === 'lamp' && word.lead === 'allowed'
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
    dead: { title: 'control input dead', effects: [{ mode: 'life', at: 'dead' }], perYear: 0.002, cure: 'replace' },
  },
}
