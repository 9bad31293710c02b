import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'L', b: 'N', when: 'active' },
    { id: 'found', type: 'sense', signal: 'tripped', sense: 'eye', plain: true, when: 'found' },
  ],
  faults: {
    dead: { title: 'no supply', effects: [{ param: 'volts', times: 1e-6 }], ratePerYear: 0.02, cure: 'restore' },
    low: {
      title: 'low supply',
      effects: [{ param: 'volts', times: 'severity' }],
      severity: { from: 0.6, to: 0.88, scale: 'linear' },
      ratePerYear: 0.005,
      cure: 'restore',
    },
  },
  works: {
    restore: {
      steps: [
        'Look at the breaker and the residual-current device first: one tripped asks why',
        {
          do: 'Reset it once, with the loads switched off one by one',
          caution: 'What trips again stays off. A fuse is never uprated, a device that trips is never held in',
        },
        'Dead at the socket with the breaker on: fixed wiring, for a licensed electrician',
        'Measure the volts at the machine while it draws its full current',
      ],
    },
  },
}
