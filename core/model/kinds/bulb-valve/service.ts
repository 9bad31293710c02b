import type { KindService } from '../contract'
import { modulatingFaults } from '../modulating'
import { PASSES_OFF } from '../valve-looks'

export const kindService: KindService = {
  measurements: () => [
    { id: 'passes', type: 'sense', signal: 'passes', sense: 'eye', when: 'active' },
    { ...PASSES_OFF, id: 'pressed', held: { arm: 'open' } },
    { ...PASSES_OFF, held: { arm: 'shut' } },
  ],
  faults: {
    ...modulatingFaults,
    'charge-lost': {
      title: 'bulb has lost its charge',
      only: { choice: 'opens', is: ['warm'] },
      // It never gets warm enough any more.
      effects: [
        { param: 'shuts-at', to: 200 },
        { param: 'opens-at', to: 210 },
      ],
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
}
