import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'look', type: 'sense', signal: 'kinked', sense: 'eye', plain: true, when: 'isolated' },
    { id: 'bucket', type: 'bucket', port: 'out', when: 'cold' },
    { id: 'pressure', type: 'pressure', port: 'out', when: 'cold' },
  ],
  faults: {
    kinked: {
      title: 'hose kinked',
      saidWith: { moved: 0.4, plumbing: 0.2 },
      titleBy: { choice: 'is', words: { filter: 'clogged', pipe: 'crushed or blocked' } },
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.002, to: 0.07, scale: 'log' },
      ratePerYear: 0.01,
      cure: 'restore',
    },
  },
}
