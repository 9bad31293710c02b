import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'look', type: 'sense', signal: 'sound', sense: 'eye', plain: true, when: 'isolated' }],
  faults: {
    off: {
      title: 'air tube off or pinched shut',
      saidWith: { 'worked-on': 0.5, moved: 0.3, cleaned: 0.3 },
      effects: [{ mode: 'way', at: 'shut' }],
      ratePerYear: 0.012,
      cure: 'restore',
    },
    leaking: {
      title: 'air tube leaking',
      effects: [{ param: 'passes', to: 'severity' }],
      severity: { from: 0.2, to: 0.8, scale: 'linear' },
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
}
