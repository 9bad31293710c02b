import type { KindService } from '../contract'

export const kindService: KindService = {
  faults: {
    blocked: {
      title: 'pipe run blocked',
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.002, to: 0.1, scale: 'log' },
      ratePerYear: 0.01,
      cure: 'clean',
    },
  },
}
