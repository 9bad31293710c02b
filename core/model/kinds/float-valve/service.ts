import type { KindService } from '../contract'
import { modulatingFaults } from '../modulating'
import { PASSES_OFF } from '../valve-looks'
import { WATER_OFF, NO_DROP, DESCALER } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'free', type: 'sense', signal: 'free', sense: 'hand', plain: true, when: 'isolated', minutes: 1.5 },
    { id: 'passes', type: 'sense', signal: 'passes', sense: 'eye', when: 'active' },
    { ...PASSES_OFF, id: 'lifted', held: { arm: 'shut' } },
    { ...PASSES_OFF, id: 'pressed', held: { arm: 'open' } },
  ],
  faults: {
    ...modulatingFaults,
    'set-high': {
      title: 'float sunk or its arm bent up: shuts too late',
      effects: [{ param: 'shuts-at', plus: 'severity' }],
      severity: { from: 0.03, to: 0.12, scale: 'log' },
      ratePerYear: 0.02,
      cure: 'restore',
    },
    'set-low': {
      title: 'arm bent or set down: shuts too early',
      effects: [{ param: 'shuts-at', plus: 'severity' }],
      severity: { from: -0.06, to: -0.015, scale: 'linear' },
      ratePerYear: 0.01,
      saidWith: { 'worked-on': 0.3 },
      cure: 'restore',
    },
  },
  works: {
    replace: {
      steps: [
        WATER_OFF,
        'Undo the joint at <it> and draw it out with its seal; note how its arm is set',
        'Blow low regulated air through the new one: passes hanging, seals lifted',
        'In with a new seal, arm free of the wall, set as the old one was',
        NO_DROP,
        'Let it fill by itself: it shuts at the mark',
      ],
      proved: 'low regulated air: passes hanging, seals lifted',
    },
    clean: {
      steps: [
        WATER_OFF,
        'Take <it> out and apart: plunger, seat washer, spring in their order on a cloth',
        DESCALER,
        'Turn or renew the seat washer, the seat itself smooth to a fingertip',
        'Together again, the arm free over its whole way',
        'Let it fill by itself: it shuts at the mark and stays dry',
      ],
      lookAt: ['grit in its screen', 'a float that has drunk water'],
    },
    restore: {
      steps: [
        'Note where it shuts now, measured from the rim',
        'Bend or screw its arm a little at a time; each time let it fill by itself',
        'It shuts at the mark, and the mark is written down',
      ],
    },
  },
}
