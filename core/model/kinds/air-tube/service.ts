import type { KindService } from '../contract'
import { DEAD } from '../works'

export const kindService: KindService = {
  measurements: () => [{ id: 'look', type: 'sense', signal: 'sound', sense: 'eye', plain: true, when: 'isolated' }],
  faults: {
    off: {
      title: 'air tube off or pinched shut',
      saidWith: { 'worked-on': 0.5, moved: 0.3, cleaned: 0.3 },
      effects: [{ mode: 'way', at: 'shut' }],
      ratePerYear: 0.012,
      cure: 'restore',
    },
    leaking: {
      title: 'air tube leaking',
      effects: [{ param: 'passes', to: 'severity' }],
      severity: { from: 0.2, to: 0.8, scale: 'linear' },
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
  works: {
    replace: {
      steps: [
        DEAD,
        'Take its dome off the tub and the tube off its sensor; blow the dome clear',
        'Cut the new tube to the same length, no slack that hangs and holds water',
        'Push both ends fully home, rising all the way, away from what moves or is hot',
        'Fill and let it drain once: it fills to its level and stops there',
      ],
      lookAt: ['soap and lint in the dome'],
    },
    restore: {
      steps: [
        DEAD,
        'Let the water out first, so that no level is trapped',
        'Push the tube fully home at the sensor and at the dome, free of kinks, rising all the way',
        'Fill and let it drain once: it fills to its level and stops there',
      ],
    },
  },
}
