import type { KindService } from '../contract'
import { kindService as heater } from '../heater/service'

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
}
