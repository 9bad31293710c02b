import type { KindService } from '../contract'
import { modulatingFaults } from '../modulating'
import { PASSES_OFF } from '../valve-looks'
import { WATER_OFF, NO_DROP, DESCALER } from '../works'

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
  works: {
    replace: {
      steps: [
        WATER_OFF,
        'Undo the joint at <it> and draw it out with its seal; note how it is set',
        'Blow low regulated air through the new one: passes as its bulb is warmed, seals as it is chilled',
        'In with a new seal, its bulb fully in its pocket, capillary without kinks',
        NO_DROP,
        'Chill and warm its bulb once: it opens and shuts',
      ],
      proved: 'low regulated air: passes as its bulb is warmed, seals as it is chilled',
    },
    clean: {
      steps: [
        WATER_OFF,
        'Take <it> out and apart: plunger, seat washer, spring in their order on a cloth',
        DESCALER,
        'Turn or renew the seat washer, the seat itself smooth to a fingertip',
        'Together again, its spindle free over its whole way',
        'Chill and warm its bulb once: it opens and shuts',
      ],
      lookAt: ['grit in its screen', 'its capillary: a kink lets the charge go'],
    },
  },
}
