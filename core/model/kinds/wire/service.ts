import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
  ],
  faults: {
    broken: { title: 'wire broken', effects: [{ mode: 'run', at: 'broken' }], ratePerYear: 0.006, cure: 'remake' },
    corroded: {
      title: 'corroded joint',
      effects: [{ param: 'ohms', plus: 'severity' }],
      severity: { from: 10, to: 1000, scale: 'log' },
      ratePerYear: 0.006,
      cure: 'remake',
    },
  },
}
