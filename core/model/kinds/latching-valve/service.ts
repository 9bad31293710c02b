import { PASSES_OFF, SHUTS_AT_LOW_PRESSURE } from '../valve-looks'
import type { KindService } from '../contract'
import { valveChanged, valveCleaned } from '../works'

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
    replace: valveChanged('ohms of each coil in its band; over and back on one pulse each way'),
    clean: valveCleaned,
  },
}
