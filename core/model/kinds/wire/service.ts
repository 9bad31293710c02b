import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'flexed', type: 'worked', when: 'isolated', provoked: 'flexed' },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
  ],
  faults: {
    broken: {
      title: 'wire broken',
      saidWith: { moved: 0.15, 'worked-on': 0.15 },
      effects: [{ mode: 'run', at: 'broken' }],
      ratePerYear: 0.006,
      cure: 'remake',
    },
    corroded: {
      title: 'corroded joint',
      saidWith: { 'now-and-then': 0.4, slowly: 0.3, tapping: 0.15 },
      effects: [{ param: 'ohms', plus: 'severity' }],
      severity: { from: 10, to: 1000, scale: 'log' },
      ratePerYear: 0.006,
      intermittentShare: 0.15,
      cure: 'remake',
    },
  },
}
