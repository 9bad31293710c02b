import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  faults: {
    off: {
      title: 'not plugged in or switched off',
      effects: [{ mode: 'closed', at: 'off' }],
      perYear: 0.03,
      cure: 'restore',
    },
  },
}
