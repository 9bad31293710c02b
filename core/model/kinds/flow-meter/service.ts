import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'ohms', type: 'ohms', a: 'out', b: 'com', when: 'isolated', lifted: true }],
  faults: {
    jammed: {
      title: 'flow meter jammed',
      effects: [{ mode: 'wheel', at: 'jammed' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    short: {
      title: 'flow meter counts short',
      effects: [{ param: 'counts', times: 'severity' }],
      severity: { from: 0.3, to: 0.75, scale: 'linear' },
      ratePerYear: 0.006,
      cure: 'replace',
    },
  },
}
