import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'idle-volts', type: 'volts', a: 'a', b: 'b', when: 'idle' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'amps', type: 'amps', when: 'active' },
    { id: 'hum', type: 'sense', signal: 'hums', sense: 'ear', when: 'active' },
    { id: 'buzz', type: 'sense', signal: 'buzzes', sense: 'hand', when: 'active' },
    { id: 'runs', type: 'sense', signal: 'passes', sense: 'ear', when: 'active' },
    {
      id: 'passes-off',
      type: 'sense',
      signal: 'passes',
      sense: 'eye',
      plain: true,
      when: 'isolated',
      underPressure: true,
    },
  ],
  faults: {
    'coil-open': { title: 'coil open', effects: [{ mode: 'coil', at: 'open' }], ratePerYear: 0.02, cure: 'replace' },
    'coil-shorted': {
      title: 'coil with shorted turns',
      effects: [
        { param: 'ohms', times: 'severity' },
        { param: 'henries-out', times: 'severity' },
        { param: 'henries-in', times: 'severity' },
        { param: 'pull-in', times: 10 },
      ],
      severity: { from: 0.08, to: 0.5, scale: 'log' },
      ratePerYear: 0.005,
      cure: 'replace',
    },
    'plunger-stuck': {
      title: 'plunger jammed at rest',
      saidWith: { tapping: 0.5, 'now-and-then': 0.3 },
      effects: [{ mode: 'plunger', at: 'rest' }],
      ratePerYear: 0.012,
      cure: 'replace',
    },
    'does-not-open': {
      title: 'pilot port blocked or diaphragm stiff',
      effects: [{ mode: 'passage', at: 'closed' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    'does-not-close': {
      title: 'diaphragm held open by debris',
      effects: [{ mode: 'passage', at: 'open' }],
      ratePerYear: 0.012,
      cure: 'replace',
    },
  },
}
