import { BY_AIR } from '../bench-tests'
import { coilFaults } from '../coil'
import { PASSES_OFF, SHUTS_AT_LOW_PRESSURE } from '../valve-looks'
import type { KindService } from '../contract'
import { valveChanged, valveCleaned } from '../works'

export const kindService: KindService = {
  bench: 'coil',
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'idle-volts', type: 'volts', a: 'a', b: 'b', when: 'idle' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'warmed', type: 'worked', when: 'isolated', provoked: 'warmed', only: 'coil', minutes: 5 },
    { id: 'amps', type: 'amps', when: 'active' },
    { id: 'hum', type: 'sense', signal: 'hums', sense: 'ear', when: 'active' },
    { id: 'buzz', type: 'sense', signal: 'buzzes', sense: 'hand', when: 'active' },
    { id: 'runs', type: 'sense', signal: 'passes', sense: 'ear', when: 'active' },
    {
      id: 'tapped',
      type: 'tapped',
      signal: 'passes',
      called: 'energised',
      frees: 'plunger',
      sense: 'ear',
      when: 'active',
    },
    BY_AIR,
    PASSES_OFF,
    SHUTS_AT_LOW_PRESSURE,
  ],
  faults: {
    ...coilFaults(0.08, 0.5),
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
      saidWith: { 'weak-water': 0.4, 'now-and-then': 0.2 },
      intermittentShare: 0.2,
      effects: [{ mode: 'passage', at: 'open' }],
      ratePerYear: 0.012,
      cure: 'replace',
    },
  },
  works: {
    replace: valveChanged('ohms of each coil in its band; passes air only while it is fed'),
    clean: valveCleaned,
  },
}
