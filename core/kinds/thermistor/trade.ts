import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [
    { id: 'ohms', what: 'ohms', a: '1', b: '2', when: 'dead', lifted: true },
    { id: 'seated', what: 'sense', signal: 'loose', sense: 'hand', when: 'dead' },
  ],
  faults: {
    open: { title: 'thermistor open', effects: [{ mode: 'bead', at: 'open' }], perYear: 0.008, cure: 'replace' },
    shorted: {
      title: 'thermistor shorted',
      effects: [{ mode: 'bead', at: 'shorted' }],
      perYear: 0.004,
      cure: 'replace',
    },
    drifted: {
      title: 'thermistor drifted',
      effects: [{ param: 'ohms', times: 'severity' }],
      severity: { from: 1.3, to: 3, scale: 'log' },
      perYear: 0.006,
      cure: 'replace',
    },
    loose: {
      title: 'thermistor loose in its clip',
      effects: [{ param: 'feels', to: 'severity' }],
      severity: { from: 0.3, to: 0.75, scale: 'linear' },
      perYear: 0.006,
      cure: 'restore',
    },
  },
}
