import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'volts', what: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'amps', what: 'amps', when: 'active' },
    { id: 'ohms', what: 'ohms', a: 'a', b: 'b', when: 'dead', lifted: true },
  ],
  faults: {
    open: { title: 'heater open', effects: [{ mode: 'element', at: 'open' }], ratePerYear: 0.03, cure: 'replace' },
  },
}
