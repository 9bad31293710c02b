import type { KindService } from '../contract'
import { DEAD, RUN } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'feed-drop', type: 'volts', a: 'a1', b: 'b1', when: 'active' },
    { id: 'flexed', type: 'worked', when: 'isolated', provoked: 'flexed' },
    { id: 'return-drop', type: 'volts', a: 'b2', b: 'a2', when: 'active' },
  ],
  faults: {
    off: {
      title: 'plug off or not seated',
      saidWith: { 'worked-on': 0.5, moved: 0.2 },
      effects: [{ mode: 'mated', at: 'apart' }],
      ratePerYear: 0.008,
      cure: 'restore',
    },
    corroded: {
      title: 'corroded plug contact',
      saidWith: { 'now-and-then': 0.4, slowly: 0.3, tapping: 0.2 },
      effects: [{ param: 'ohms', plus: 'severity' }],
      severity: { from: 100, to: 20000, scale: 'log' },
      ratePerYear: 0.012,
      intermittentShare: 0.2,
      cure: 'remake',
    },
  },
  works: {
    remake: {
      steps: [
        DEAD,
        'Photograph the plug and mark it: its like may stand beside it',
        'Cut back to bright copper, crimp new terminals with the right jaws, tug each one',
        'Grease lightly where it may get wet; push it home until it clicks',
        'Measure across it while its load runs: next to nothing',
      ],
    },
    restore: {
      steps: [
        'Note that it was loose before it is touched: pushing it home ends that evidence',
        DEAD,
        'Push the plug home until it clicks; look at each pin for one that has crept back',
        RUN,
      ],
    },
  },
}
