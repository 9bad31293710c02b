import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  faults: {
    blocked: {
      title: 'waste hose blocked',
      effects: [{ param: 'blocked', to: 'severity' }],
      severity: { from: 0.8, to: 0.995, scale: 'linear' },
      perYear: 0.02,
      cure: 'clean',
    },
  },
}
