import type { KindService } from '../contract'
import { WATER_OFF, NO_DROP } from '../works'

export const kindService: KindService = {
  measurements: () => [{ id: 'look', type: 'sense', signal: 'weeps', sense: 'eye', when: 'isolated', minutes: 3 }],
  faults: {
    weeps: { title: 'joint weeps', effects: [{ mode: 'seal', at: 'weeps' }], ratePerYear: 0.02, cure: 'remake' },
  },
  works: {
    remake: {
      steps: [
        WATER_OFF,
        'Dry it and find where the drop begins: paper under each joint',
        'Seal or seat new, both faces clean, tightened evenly',
        NO_DROP,
        'Tray and floor dried: dry after a whole run',
      ],
    },
  },
}
