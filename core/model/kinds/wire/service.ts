import type { KindService } from '../contract'
import { DEAD } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'flexed', type: 'worked', when: 'isolated', provoked: 'flexed' },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
  ],
  faults: {
    broken: {
      title: 'wire broken',
      saidWith: { moved: 0.15, 'worked-on': 0.15 },
      effects: [{ mode: 'run', at: 'broken' }],
      ratePerYear: 0.006,
      cure: 'remake',
    },
    corroded: {
      title: 'corroded joint',
      saidWith: { 'now-and-then': 0.4, slowly: 0.3, tapping: 0.15 },
      effects: [{ param: 'ohms', plus: 'severity' }],
      severity: { from: 10, to: 1000, scale: 'log' },
      ratePerYear: 0.006,
      intermittentShare: 0.15,
      cure: 'remake',
    },
  },
  works: {
    remake: {
      steps: [
        DEAD,
        'Both ends of <it> marked, then looked at over its whole length: edges, hinges, heat',
        'Cut back to bright copper, crimped with the right jaws, tugged',
        { do: 'Outdoors or wet: joints that keep water out, a spare loop', caution: 'Tape alone keeps nothing dry' },
        'Led clear of edges and heat, tied as before',
        'Measure across it while its load runs: next to nothing',
      ],
    },
  },
}
