import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'look', what: 'sense', signal: 'sound', sense: 'eye', when: 'dead' }],
  faults: {
    off: {
      title: 'air tube off or pinched shut',
      effects: [{ mode: 'way', at: 'shut' }],
      perYear: 0.012,
      cure: 'restore',
    },
    leaking: {
      title: 'air tube leaking',
      effects: [{ param: 'passes', to: 'severity' }],
      severity: { from: 0.2, to: 0.8, scale: 'linear' },
      perYear: 0.01,
      cure: 'replace',
    },
  },
}
