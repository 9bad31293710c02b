import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'blows', type: 'sense', signal: 'blows', sense: 'eye', plain: true, when: 'idle' },
    { id: 'free', type: 'sense', signal: 'free', sense: 'hand', plain: true, when: 'isolated', minutes: 1 },
  ],
  faults: {
    leaks: {
      title: 'relief valve does not shut tight',
      effects: [{ mode: 'seat', at: 'leaks' }],
      ratePerYear: 0.015,
      cure: 'replace',
    },
    'opens-early': {
      title: 'relief valve opens too early',
      effects: [
        { param: 'opens-at', times: 'severity' },
        { param: 'shuts-at', times: 'severity' },
      ],
      severity: { from: 0.1, to: 0.4, scale: 'log' },
      ratePerYear: 0.006,
      cure: 'replace',
    },
    jammed: {
      title: 'relief valve scaled shut',
      effects: [{ mode: 'guide', at: 'jammed' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
  works: {
    replace: {
      steps: [
        {
          do: 'Off, cold, without pressure at the gauge',
          caution: 'A scaled valve may hold pressure that nothing shows',
        },
        'Unscrew it; the port behind it clear to the boiler',
        {
          do: 'New one of the same pressure and capacity, its outlet led down, open and free',
          caution: 'Never plugged, never set higher',
        },
        'Heated once under watch: dry below its pressure',
      ],
      proved: 'its plate: pressure and capacity as on the old one',
    },
  },
}
