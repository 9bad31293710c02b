import type { KindService } from '../contract'
import { kindService as heater } from '../heater/service'
import { COOL } from '../works'

export const kindService: KindService = {
  measurements: (part) => [
    ...heater.measurements!(part),
    { id: 'look', type: 'sense', signal: 'scaled', sense: 'eye', plain: true, when: 'isolated', minutes: 4 },
  ],
  faults: {
    ...heater.faults,
    scaled: {
      title: 'element scaled over',
      effects: [{ param: 'scale', to: 'severity' }],
      severity: { from: 2.5, to: 8, scale: 'log' },
      ratePerYear: 0.05,
      cure: 'clean',
    },
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
    clean: {
      steps: [
        COOL,
        {
          do: 'Look how thick and how old the scale is',
          caution: 'Heavy old scale may seal leaks: warn in writing and get consent before it is taken off',
        },
        {
          do: 'Descaler by its label through the whole boiler, then rinse twice',
          caution: 'Acid never with bleach or a chlorine sanitiser. Gloves, goggles, air',
        },
        'Flakes out of the bottom, the drain and the probes looked at',
        'Fill first, heat once under watch, no drop at the seals',
      ],
      lookAt: ['probes or float', 'ports of the relief valve and of the drain'],
    },
  },
}
