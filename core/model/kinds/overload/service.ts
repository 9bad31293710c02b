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
  works: {
    restore: {
      steps: [
        'Find why it tripped: a jam, low volts, worn bearings, a filter full of dust',
        {
          do: 'Isolate before anybody reaches in, then free what turns',
          caution: 'It may start by itself as soon as it is reset',
        },
        'Reset it once it is cool, and once only',
        'Current of the motor measured under load against its plate',
      ],
    },
  },
}
