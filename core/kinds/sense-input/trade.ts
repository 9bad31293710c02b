import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  // With a short lead across its terminals the input must answer: that tells what hangs on it from the board.
  probes: ({ word }) =>
    word.shows === 'a lamp'
      ? [
          {
            id: 'bridged',
            what: 'sense',
            signal: 'closed',
            sense: 'eye',
            when: 'idle',
            with: { bridge: 'on' },
            minutes: 2,
          },
        ]
      : [],
  faults: {
    dead: { title: 'control input dead', effects: [{ mode: 'life', at: 'dead' }], perYear: 0.002, cure: 'replace' },
  },
}
