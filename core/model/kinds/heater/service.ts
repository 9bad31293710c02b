import type { KindService } from '../contract'
import { elementChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'amps', type: 'amps', when: 'active' },
    // A welded contactor heats when nobody calls for it.
    { id: 'idle-amps', type: 'amps', when: 'idle' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
  ],
  faults: {
    open: { title: 'heater open', effects: [{ mode: 'element', at: 'open' }], ratePerYear: 0.03, cure: 'replace' },
  },
  works: {
    replace: elementChanged,
  },
}
