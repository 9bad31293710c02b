import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  faults: {
    dead: { title: 'control input dead', effects: [{ mode: 'life', at: 'dead' }], perYear: 0.002, cure: 'replace' },
  },
}
