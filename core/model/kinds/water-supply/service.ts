import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'look', type: 'sense', signal: 'strong', sense: 'eye', plain: true, when: 'isolated' },
    { id: 'flowing', type: 'flowing', port: 'out', of: 'pressure', when: 'active' },
    { id: 'flow', type: 'flowing', port: 'out', of: 'flow', when: 'active' },
  ],
  faults: {
    off: {
      title: 'water main off',
      saidWith: { plumbing: 0.5 },
      effects: [{ param: 'pressure', times: 1e-6 }],
      ratePerYear: 0.01,
      cure: 'restore',
    },
    weak: {
      title: 'low water pressure',
      saidWith: { plumbing: 0.3 },
      effects: [{ param: 'pressure', times: 'severity' }],
      severity: { from: 0.03, to: 0.2, scale: 'log' },
      ratePerYear: 0.008,
      cure: 'restore',
    },
    'too-pure': {
      title: 'water hardly conducts: reverse osmosis or rain water',
      saidWith: { 'worked-on': 0.5, cleaned: 0.2 },
      effects: [{ param: 'conducts', to: 'severity' }],
      severity: { from: 0.0002, to: 0.002, scale: 'log' },
      ratePerYear: 0.004,
      cure: 'restore',
    },
  },
  works: {
    restore: {
      steps: [
        'Bucket and gauge at the tap: flow, static and flowing pressure written down',
        'The same at a second tap: one line or the whole building',
        'Stop valves and filters ahead of the tap looked at with whoever looks after the building',
        'Still short: the water company or a licensed plumber, with the figures',
      ],
    },
  },
}
