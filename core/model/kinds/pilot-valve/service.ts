import type { KindService, MeasurementSpec } from '../contract'

export const kindService: KindService = {
  measurements: (): MeasurementSpec[] => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'idle-volts', type: 'volts', a: 'a', b: 'b', when: 'idle' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'hum', type: 'sense', signal: 'hums', sense: 'ear', when: 'active' },
    { id: 'runs', type: 'sense', signal: 'passes', sense: 'eye', plain: true, when: 'active' },
    { id: 'passes-off', type: 'sense', signal: 'passes', sense: 'eye', plain: true, when: 'isolated' },
    { id: 'flow-control', type: 'sense', signal: 'throttled', sense: 'eye', plain: true, when: 'isolated', minutes: 1 },
    // By hand while another runs, so that the water is on as far as this valve.
    {
      id: 'by-bleed',
      type: 'sense',
      signal: 'passes',
      sense: 'eye',
      plain: true,
      when: 'idle',
      held: { bleed: 'open' },
      minutes: 2,
    },
    {
      id: 'at-bleed',
      type: 'sense',
      signal: 'bleeds',
      sense: 'eye',
      plain: true,
      when: 'idle',
      held: { bleed: 'open' },
      minutes: 1,
    },
    {
      id: 'by-plunger',
      type: 'sense',
      signal: 'passes',
      sense: 'eye',
      plain: true,
      when: 'idle',
      held: { solenoid: 'turned' },
      minutes: 2,
    },
  ],
  faults: {
    'coil-open': { title: 'coil open', effects: [{ mode: 'coil', at: 'open' }], ratePerYear: 0.02, cure: 'replace' },
    'plunger-stuck': {
      title: 'plunger jammed at rest',
      effects: [{ mode: 'plunger', at: 'rest' }],
      ratePerYear: 0.01,
      cure: 'clean',
    },
    'exhaust-blocked': {
      title: 'exhaust path or plunger chamber blocked',
      effects: [{ mode: 'exhaust', at: 'blocked' }],
      ratePerYear: 0.015,
      cure: 'clean',
    },
    'metering-blocked': {
      title: 'metering port blocked',
      effects: [{ mode: 'metering', at: 'blocked' }],
      ratePerYear: 0.012,
      cure: 'clean',
    },
    'diaphragm-stiff': {
      title: 'diaphragm stiff',
      effects: [{ mode: 'diaphragm', at: 'stiff' }],
      ratePerYear: 0.008,
      cure: 'replace',
    },
    'diaphragm-torn': {
      title: 'diaphragm torn',
      effects: [{ mode: 'diaphragm', at: 'torn' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    'bleed-loose': {
      title: 'bleed left loose',
      effects: [{ mode: 'bleed', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'restore',
    },
    'flow-control-shut': {
      title: 'flow control screwed shut',
      effects: [{ mode: 'flow-control', at: 'closed' }],
      ratePerYear: 0.008,
      cure: 'restore',
    },
  },
}
