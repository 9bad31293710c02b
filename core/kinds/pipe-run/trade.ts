import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  faults: {
    blocked: {
      title: 'pipe run blocked',
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.002, to: 0.1, scale: 'log' },
      perYear: 0.01,
      cure: 'clean',
    },
  },
}
