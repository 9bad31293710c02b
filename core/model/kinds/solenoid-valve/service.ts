import { coilFaults } from '../coil'
import { PASSES_OFF, SHUTS_AT_LOW_PRESSURE } from '../valve-looks'
import type { KindService } from '../contract'
import { DEAD, WATER_OFF, NO_DROP, DESCALER } from '../works'

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
    replace: {
      steps: [
        WATER_OFF,
        DEAD,
        'Mark each plug of <it>: one like it may stand beside it; then draw them off by the body',
        'Undo hoses and screws, note which way the arrow points',
        'Measure every coil of the new one, and turn it over: same volts, same fittings, same rest position',
        'In the same way round, hoses and plugs by their marks',
        NO_DROP,
        'Call it once from the program: runs when called, dry when not',
      ],
      lookAt: ['the screen at its inlet', 'what burnt a coil: a plunger that jams burns the next one'],
      proved: 'ohms of each coil in its band; passes air only while it is fed',
    },
    clean: {
      steps: [
        WATER_OFF,
        DEAD,
        'Coil eased off its post with a flat blade under the free side',
        'Cap off: diaphragm, plunger and spring laid out in their order',
        DESCALER,
        'Together in the same order, the hole of the diaphragm clear',
        'Plunger drops freely when it is tipped; then the coil, turned to its notch',
        NO_DROP,
      ],
      lookAt: ['cracks in the diaphragm and in the cap: then the whole valve'],
    },
  },
}
