import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'ohms', what: 'ohms', a: 'out', b: 'com', when: 'dead', lifted: true }],
  faults: {
    jammed: { title: 'flow meter jammed', effects: [{ mode: 'wheel', at: 'jammed' }], perYear: 0.01, cure: 'replace' },
    short: {
      title: 'flow meter counts short',
      effects: [{ param: 'counts', times: 'severity' }],
      severity: { from: 0.3, to: 0.75, scale: 'linear' },
      perYear: 0.006,
      cure: 'replace',
    },
  },
}
