import { coilFaults } from '../coil'
import { PASSES_OFF } from '../valve-looks'
import type { KindService, MeasurementSpec } from '../contract'

export const kindService: KindService = {
  measurements: (): MeasurementSpec[] => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'idle-volts', type: 'volts', a: 'a', b: 'b', when: 'idle' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'amps', type: 'amps', when: 'active' },
    { id: 'hum', type: 'sense', signal: 'hums', sense: 'ear', when: 'active' },
    { id: 'runs', type: 'sense', signal: 'passes', sense: 'eye', plain: true, when: 'active' },
    PASSES_OFF,
    { id: 'flow-control', type: 'sense', signal: 'throttled', sense: 'eye', plain: true, when: 'isolated', minutes: 1 },
    { id: 'bleed', type: 'sense', signal: 'loose', sense: 'hand', plain: true, when: 'isolated', minutes: 0.5 },
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
    ...coilFaults(0.03, 0.4),
    'plunger-stuck': {
      title: 'plunger jammed at rest',
      saidWith: { tapping: 0.4, 'now-and-then': 0.3 },
      effects: [{ mode: 'plunger', at: 'rest' }],
      ratePerYear: 0.01,
      cure: 'clean',
    },
    'exhaust-blocked': {
      title: 'exhaust path or plunger chamber blocked',
      saidWith: { plumbing: 0.3, 'worked-on': 0.2 },
      effects: [{ mode: 'exhaust', at: 'blocked' }],
      ratePerYear: 0.015,
      cure: 'clean',
    },
    'metering-blocked': {
      title: 'metering port blocked',
      saidWith: { plumbing: 0.3 },
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
      saidWith: { 'worked-on': 0.6 },
      effects: [{ mode: 'bleed', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'restore',
    },
    'flow-control-shut': {
      title: 'flow control screwed shut',
      saidWith: { 'worked-on': 0.4 },
      effects: [{ mode: 'flow-control', at: 'closed' }],
      ratePerYear: 0.008,
      cure: 'restore',
    },
  },
}
