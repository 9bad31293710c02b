import { PASSES_OFF, SHUTS_AT_LOW_PRESSURE } from '../valve-looks'
import type { KindService } from '../contract'
import { DEAD, WATER_OFF, NO_DROP, DESCALER } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'runs', type: 'sense', signal: 'passes', sense: 'ear', when: 'active' },
    PASSES_OFF,
    SHUTS_AT_LOW_PRESSURE,
  ],
  faults: {
    'coil-open': { title: 'coil open', effects: [{ mode: 'coil', at: 'open' }], ratePerYear: 0.015, cure: 'replace' },
    'stuck-shut': {
      title: 'plunger stuck shut',
      effects: [{ mode: 'latch', at: 'shut' }],
      ratePerYear: 0.012,
      cure: 'replace',
    },
    'stuck-open': {
      title: 'plunger stuck open',
      effects: [{ mode: 'latch', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    'does-not-close': {
      title: 'diaphragm held open by debris',
      saidWith: { 'weak-water': 0.4, 'now-and-then': 0.2 },
      intermittentShare: 0.2,
      effects: [{ mode: 'passage', at: 'open' }],
      ratePerYear: 0.01,
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
      proved: 'ohms of each coil in its band; over and back on one pulse each way',
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
