import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    // Its reset stands out when it has tripped.
    { id: 'look', type: 'sense', signal: 'tripped', sense: 'eye', plain: true, when: 'isolated', minutes: 0.5 },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'to-return', type: 'volts', a: '2', b: '@return', when: 'active' },
  ],
  faults: {
    tripped: {
      title: 'overload tripped',
      effects: [{ mode: 'contact', at: 'tripped' }],
      ratePerYear: 0.02,
      cure: 'restore',
    },
  },
}
