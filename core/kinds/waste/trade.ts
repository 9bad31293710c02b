import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  faults: {
    blocked: {
      title: 'waste hose blocked',
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.003, to: 0.2, scale: 'log' },
      perYear: 0.02,
      cure: 'clean',
    },
  },
}
