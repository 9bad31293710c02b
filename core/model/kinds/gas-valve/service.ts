import type { KindService } from '../contract'
import { DEAD, RUN } from '../works'

// What lies behind the coil is the refrigerant circuit: measured from outside only.
export const kindService: KindService = {
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'idle-volts', type: 'volts', a: 'a', b: 'b', when: 'idle' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'hum', type: 'sense', signal: 'hums', sense: 'ear', when: 'active' },
    { id: 'hot', type: 'sense', signal: 'hot', sense: 'hand', when: 'active' },
    { id: 'warm', type: 'sense', signal: 'hot', sense: 'hand', when: 'idle' },
  ],
  faults: {
    'coil-open': {
      title: 'coil of the hot-gas valve open',
      effects: [{ mode: 'coil', at: 'open' }],
      ratePerYear: 0.012,
      cure: 'replace',
    },
    'plunger-stuck': {
      title: 'hot-gas valve does not open',
      effects: [{ mode: 'plunger', at: 'rest' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
    leaks: {
      title: 'hot-gas valve does not close',
      effects: [{ mode: 'seat', at: 'leaks' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
  },
  works: {
    replace: {
      steps: [
        DEAD,
        {
          do: 'Coil alone, eased off its stem; the valve in the pipe stays as it is',
          caution: 'The circuit of the refrigerant is for licensed people. The line may be hot',
        },
        'Measure the new coil before it goes on; never fed off its stem: it burns',
        'Same way round, its nut hand-tight and a little more',
        RUN,
      ],
      proved: 'ohms of the coil in its band',
    },
  },
}
