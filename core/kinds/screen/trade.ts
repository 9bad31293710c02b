import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'look', what: 'sense', signal: 'dirty', sense: 'eye', when: 'dead', minutes: 6 }],
  faults: {
    blocked: {
      title: 'screen blocked',
      effects: [{ param: 'blocked', to: 'severity' }],
      severity: { from: 0.94, to: 0.999, scale: 'linear' },
      perYear: 0.05,
      cure: 'clean',
    },
  },
}
