import type { KindService } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'figure', type: 'display', signal: 'temperature', when: 'settled' },
    { id: 'volts', type: 'volts', a: 'in', b: 'com', when: 'settled' },
  ],
  faults: {
    off: {
      title: 'temperature input of the control reads wrong',
      effects: [{ param: 'pull-up', times: 'severity' }],
      severity: { from: 1.6, to: 4, scale: 'log' },
      ratePerYear: 0.001,
      cure: 'replace',
    },
  },
  works: {
    replace: controlChanged,
  },
}
