import type { KindService } from '../contract'
import { DEAD } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'look', type: 'sense', signal: 'dirty', sense: 'eye', plain: true, when: 'isolated', minutes: 1 },
  ],
  faults: {
    dirty: {
      title: 'condenser or air filter clogged',
      saidWith: { slowly: 0.5, 'when-hot': 0.4 },
      effects: [{ param: 'clear', times: 'severity' }],
      severity: { from: 0.15, to: 0.5, scale: 'linear' },
      ratePerYear: 0.08,
      cure: 'clean',
    },
  },
  works: {
    clean: {
      steps: [
        DEAD,
        {
          do: 'Brush and vacuum the fins along their length, never across',
          caution: 'Fins cut; the fan may start if the power is on',
        },
        'Straighten bent fins, clean the air filter or fit a new one',
        'Room to breathe round the machine as its sheet says',
        'Run it and feel the air leave warm',
      ],
    },
  },
}
