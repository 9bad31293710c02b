import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'volts', type: 'volts', a: 'plus', b: 'minus', when: 'active' }],
  faults: {
    dead: { title: 'no supply', effects: [{ param: 'volts', times: 1e-6 }], ratePerYear: 0.02, cure: 'restore' },
    low: {
      title: 'battery low or not charged',
      effects: [{ param: 'volts', times: 'severity' }],
      severity: { from: 0.6, to: 0.88, scale: 'linear' },
      ratePerYear: 0.05,
      cure: 'restore',
    },
  },
  works: {
    restore: {
      steps: [
        { do: 'Charge it to full in air, away from sparks', caution: 'A charging battery gives off gas that burns' },
        'Clean both posts to bright lead, clamps tight, grease over them',
        'Measure the volts at its posts with every load on: a weak one collapses',
      ],
      lookAt: ['what drained it: something left on, a charging circuit that gives nothing'],
    },
  },
}
