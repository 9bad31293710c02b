import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'look', type: 'sense', signal: 'dirty', sense: 'eye', plain: true, when: 'isolated', minutes: 1 },
  ],
  faults: {
    dirty: {
      title: 'condenser or air filter clogged',
      saidWith: { slowly: 0.5, 'when-hot': 0.4 },
      effects: [{ param: 'clear', times: 'severity' }],
      severity: { from: 0.15, to: 0.5, scale: 'linear' },
      ratePerYear: 0.08,
      cure: 'clean',
    },
  },
}
