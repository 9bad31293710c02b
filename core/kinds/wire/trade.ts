import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [
    { id: 'ohms', what: 'ohms', a: '1', b: '2', when: 'dead', lifted: true },
    { id: 'across', what: 'volts', a: '1', b: '2', when: 'active' },
  ],
  faults: {
    broken: { title: 'wire broken', effects: [{ mode: 'run', at: 'broken' }], perYear: 0.006, cure: 'remake' },
    corroded: {
      title: 'corroded joint',
      effects: [{ param: 'ohms', plus: 'severity' }],
      severity: { from: 10, to: 1000, scale: 'log' },
      perYear: 0.006,
      cure: 'remake',
    },
  },
}
