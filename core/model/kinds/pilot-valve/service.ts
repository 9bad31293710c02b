import { BY_AIR } from '../bench-tests'
import { coilFaults } from '../coil'
import { PASSES_OFF } from '../valve-looks'
import type { KindService, MeasurementSpec } from '../contract'

export const kindService: KindService = {
  bench: 'coil',
  measurements: (): MeasurementSpec[] => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'idle-volts', type: 'volts', a: 'a', b: 'b', when: 'idle' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'warmed', type: 'worked', when: 'isolated', provoked: 'warmed', only: 'coil', minutes: 5 },
    { id: 'amps', type: 'amps', when: 'active' },
    { id: 'hum', type: 'sense', signal: 'hums', sense: 'ear', when: 'active' },
    { id: 'runs', type: 'sense', signal: 'passes', sense: 'eye', plain: true, when: 'active' },
    {
      id: 'tapped',
      type: 'tapped',
      signal: 'passes',
      called: 'energised',
      frees: 'plunger',
      sense: 'eye',
      when: 'active',
    },
    BY_AIR,
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
  works: {
    replace: {
      steps: [
        { do: 'Water off at the source, the line let go by its bleed', caution: 'Stand clear of the box: it sprays' },
        'Splices of its wires cut off, so that the old solenoid cannot be used again',
        'Solenoid unscrewed, its port and chamber cleaned; ohms of the new one measured',
        'Screwed in by hand with its seal; splices on bright copper, waterproof, with a spare loop',
        'Water on, called once, shut once: both seen at the sprinklers',
      ],
      proved: 'ohms in the band of its kind, plunger free and its spring in',
    },
    clean: {
      steps: [
        { do: 'Water off at the source, the line let go by its bleed', caution: 'Stand clear of the box: it sprays' },
        'Turns of the flow control counted as found, then bonnet screws out crosswise',
        'Spring and diaphragm out, its tab where it was marked; seat flushed gently',
        'Metering and exhaust ports cleared with a stiff wire',
        'Together by the marks, flow control back to the turns counted',
        'Water on, called once, shut once: it shuts within its time',
      ],
      lookAt: ['tears in the diaphragm', 'grit: then a filter upstream'],
    },
    restore: {
      steps: [
        'Note how it was found: turns of the flow control, bleed and solenoid',
        'Flow control opened fully, then a little back; bleed and solenoid snug by hand',
        'Called once, shut once: both seen at the sprinklers',
        'Turns as left written down',
      ],
    },
  },
}
