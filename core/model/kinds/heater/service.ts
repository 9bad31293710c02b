import type { KindService } from '../contract'
import { COOL } from '../works'

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
    replace: {
      steps: [
        COOL,
        'Mark the leads of <it>; nut slackened, pressed in to free its seal, drawn out straight',
        'Scrape the seat of the seal clean, scale out of the bottom',
        'Measure the new one: its ohms, and its insulation to the sheath',
        'Seal wetted, element under its clip inside, nut firm, leads crimped or screwed tight',
        { do: 'Fill first, then heat once under watch', caution: 'A dry element burns out at once' },
        'Current at the element against volts over ohms; no drop at the seal',
      ],
      lookAt: ['leads and tabs at the element: brown ones are cut back'],
      proved: 'ohms, and insulation to its sheath',
    },
  },
}
