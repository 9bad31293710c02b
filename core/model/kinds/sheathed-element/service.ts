import type { KindService } from '../contract'
import { kindService as heater } from '../heater/service'
import { COOL, elementChanged } from '../works'

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
    replace: elementChanged,
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
