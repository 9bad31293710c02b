import type { KindService } from '../contract'
import { DEAD } from '../works'

export const kindService: KindService = {
  measurements: () => [{ id: 'insulation', type: 'insulation', a: '1', b: '2', when: 'isolated' }],
  faults: {
    // Wet or burnt through, the element's sheath or the motor's varnish leaks: from a tingle to what trips at once.
    weak: {
      title: 'insulation to earth broken down',
      only: { choice: 'between', is: ['earth'] },
      saidWith: { 'when-hot': 0.25, 'now-and-then': 0.3 },
      effects: [{ param: 'ohms', to: 'severity' }],
      severity: { from: 300, to: 6000, scale: 'log' },
      ratePerYear: 0.006,
      cure: 'replace',
    },
    touching: {
      title: 'wires touching',
      only: { choice: 'between', is: ['wires'] },
      saidWith: { 'worked-on': 0.4 },
      effects: [{ param: 'ohms', to: 'severity' }],
      severity: { from: 0.2, to: 3, scale: 'log' },
      ratePerYear: 0.003,
      cure: 'remake',
    },
  },
  works: {
    replace: {
      steps: [
        DEAD,
        {
          do: 'Live and neutral both off, electronics unplugged; insulation measured at the test voltage of the sheet',
          caution: 'Nobody touches it while it is tested; discharged after',
        },
        'What leaks is changed; the plug beside it dried and looked at',
        'Insulation of the new one measured before it goes in, then of the whole circuit',
        'Earth continuity to every metal part that was touched, then power',
      ],
      proved: 'insulation at the test voltage of the sheet, cold',
    },
    remake: {
      steps: [
        DEAD,
        'Find where the wires touch: measured from both ends, halved at the joints',
        'Cut out what is chafed, join with what keeps wet out, led clear of edges',
        'Open between the two again before power comes back',
      ],
    },
  },
}
