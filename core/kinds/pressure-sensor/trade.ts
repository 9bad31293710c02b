import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  faults: {
    'reads-empty': {
      title: 'level sensor stuck at empty',
      effects: [{ mode: 'cell', at: 'frozen-low' }],
      perYear: 0.006,
      cure: 'replace',
    },
    'reads-full': {
      title: 'level sensor stuck at full',
      effects: [{ mode: 'cell', at: 'frozen-high' }],
      perYear: 0.006,
      cure: 'replace',
    },
  },
}
