import type { KindService } from '../contract'
import { WATER_OFF, NO_DROP } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'look', type: 'sense', signal: 'kinked', sense: 'eye', plain: true, when: 'isolated' },
    { id: 'bucket', type: 'bucket', port: 'out', when: 'cold' },
    { id: 'pressure', type: 'pressure', port: 'out', when: 'cold' },
  ],
  faults: {
    kinked: {
      title: 'hose kinked',
      saidWith: { moved: 0.4, plumbing: 0.2 },
      titleBy: { choice: 'is', words: { filter: 'clogged', pipe: 'crushed or blocked' } },
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.002, to: 0.07, scale: 'log' },
      ratePerYear: 0.01,
      cure: 'restore',
    },
  },
  works: {
    restore: {
      steps: [
        'Look at it over its whole length before it is touched',
        WATER_OFF,
        'Kinked or crushed: laid in an easy bend, or a new one; clogged: rinsed backwards, or its insert changed with the date on it',
        'Its seals looked at, joints hand-tight and a little more',
        NO_DROP,
        'Bucket under its end: what runs in a minute is written down',
      ],
      lookAt: ['the screens at both ends', 'its age: a hose of ten years is changed'],
    },
  },
  worksBy: {
    choice: 'is',
    works: {
      filter: {
        restore: {
          steps: [
            WATER_OFF,
            'Take <it> out, or its insert; note which way it sits and the date written on it',
            'Rinse it against the flow; what does not come clean is changed, the date written on the new one',
            NO_DROP,
            'What runs through it in a minute written down',
          ],
          lookAt: ['what was caught: grit or rust asks for a filter further up'],
        },
      },
      pipe: {
        restore: {
          steps: [
            WATER_OFF,
            'Take <it> off, note how it sits; rinse and descale it, look through it',
            'Crushed or cracked: a new one. Back with new seals',
            NO_DROP,
            'What runs through it in a minute written down',
          ],
        },
      },
    },
  },
}
