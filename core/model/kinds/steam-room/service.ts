import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'door', type: 'sense', signal: 'shut', sense: 'eye', plain: true, when: 'isolated' }],
  faults: {
    open: {
      title: 'door of the room stands open',
      effects: [
        { mode: 'door', at: 'open' },
        { param: 'loses', times: 'severity' },
        { param: 'airs', times: 0.3 },
      ],
      severity: { from: 2, to: 5, scale: 'log' },
      ratePerYear: 0.02,
      cure: 'restore',
    },
  },
}
