import type { KindService } from '../contract'

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
}
