import type { KindService } from '../contract'
import { modulatingFaults } from '../modulating'

export const kindService: KindService = {
  measurements: () => [
    { id: 'passes', type: 'sense', signal: 'passes', sense: 'eye', when: 'active' },
    {
      id: 'pressed',
      type: 'sense',
      signal: 'passes',
      sense: 'eye',
      plain: true,
      when: 'isolated',
      underPressure: true,
      held: { arm: 'open' },
    },
    {
      id: 'passes-off',
      type: 'sense',
      signal: 'passes',
      sense: 'eye',
      plain: true,
      when: 'isolated',
      underPressure: true,
      held: { arm: 'shut' },
    },
  ],
  faults: {
    ...modulatingFaults,
    'charge-lost': {
      title: 'bulb has lost its charge',
      only: { choice: 'opens', is: ['warm'] },
      effects: [{ param: 'shuts-at', to: 200 }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
}
