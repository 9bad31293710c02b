import type { KindService } from '../contract'
import { WATER_OFF, NO_DROP, wetSwitchChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [{ id: 'ohms', type: 'ohms', a: 'out', b: 'com', when: 'isolated', lifted: true }],
  faults: {
    jammed: {
      title: 'flow meter jammed',
      effects: [{ mode: 'wheel', at: 'jammed' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    short: {
      title: 'flow meter counts short',
      effects: [{ param: 'counts', times: 'severity' }],
      severity: { from: 0.3, to: 0.75, scale: 'linear' },
      ratePerYear: 0.006,
      cure: 'replace',
    },
  },
  works: {
    replace: wetSwitchChanged('its pulses or its winding as the sheet gives them; the wheel spins when it is blown on'),
    clean: {
      steps: [
        WATER_OFF,
        'Take <it> out, note its arrow',
        'Rinse the wheel until it spins when it is blown on',
        'In with its arrow with the water',
        NO_DROP,
      ],
    },
  },
}
