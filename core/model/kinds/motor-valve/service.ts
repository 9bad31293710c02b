import type { KindService } from '../contract'
import { PASSES_OFF } from '../valve-looks'
import { DEAD, WATER_OFF, NO_DROP, changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'open-volts', type: 'volts', a: 'open', b: 'com', when: 'active' },
    { id: 'close-volts', type: 'volts', a: 'close', b: 'com', when: 'active' },
    { id: 'turns', type: 'sense', signal: 'turns', sense: 'ear', when: 'active' },
    { id: 'open-ohms', type: 'ohms', a: 'open', b: 'com', when: 'isolated', lifted: true },
    { id: 'close-ohms', type: 'ohms', a: 'close', b: 'com', when: 'isolated', lifted: true },
    { id: 'pointer', type: 'sense', signal: 'shut', sense: 'eye', plain: true, when: 'isolated' },
    PASSES_OFF,
  ],
  faults: {
    'winding-open': {
      title: 'windings of the motor valve open',
      effects: [{ mode: 'windings', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    'gear-stripped': {
      title: 'gear of the motor valve stripped',
      effects: [{ mode: 'gear', at: 'stripped' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    'half-seated': {
      title: 'something on its seat: it stops before it is shut',
      effects: [{ param: 'seats', to: 'severity' }],
      severity: { from: 0.25, to: 0.7, scale: 'linear' },
      ratePerYear: 0.015,
      cure: 'clean',
    },
  },
  works: {
    replace: changed('ohms both ways, its pointer shut and open as it is fed', WATER_OFF),
    clean: {
      steps: [
        WATER_OFF,
        DEAD,
        'Take it out and look through it, what lies on its seat out with a soft tool',
        'Driven shut and open once on the bench',
        NO_DROP,
      ],
    },
  },
}
