import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'look', what: 'sense', signal: 'kinked', sense: 'eye', when: 'dead' },
    { id: 'bucket', what: 'bucket', port: 'out', when: 'cold' },
    { id: 'pressure', what: 'pressure', port: 'out', when: 'cold' },
  ],
  faults: {
    kinked: {
      title: 'hose kinked',
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.002, to: 0.07, scale: 'log' },
      ratePerYear: 0.01,
      cure: 'restore',
    },
  },
}
