import type { KindService } from '../contract'
import { WATER_OFF, NO_DROP } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'pressure', type: 'pressure', port: 'out', when: 'cold' },
    { id: 'bucket', type: 'bucket', port: 'out', when: 'cold' },
  ],
  faults: {
    'held-open': {
      title: 'regulator holds nothing back: its seat is worn or its diaphragm torn',
      effects: [{ mode: 'seat', at: 'open' }],
      ratePerYear: 0.02,
      cure: 'replace',
    },
    clogged: {
      title: 'regulator or its strainer clogged',
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.005, to: 0.1, scale: 'log' },
      saidWith: { plumbing: 0.2 },
      ratePerYear: 0.02,
      cure: 'clean',
    },
    'set-low': {
      title: 'regulator set too low, or its spring weak',
      effects: [{ param: 'sets', times: 'severity' }],
      severity: { from: 0.15, to: 0.5, scale: 'log' },
      saidWith: { 'worked-on': 0.3 },
      ratePerYear: 0.01,
      cure: 'restore',
    },
    'set-high': {
      title: 'regulator set too high',
      effects: [{ param: 'sets', times: 'severity' }],
      severity: { from: 1.5, to: 2.5, scale: 'log' },
      saidWith: { 'worked-on': 0.4 },
      ratePerYear: 0.01,
      cure: 'restore',
    },
  },
  works: {
    replace: {
      steps: [
        WATER_OFF,
        'Undo both joints, note its arrow',
        'In with its arrow with the water, new seals',
        NO_DROP,
        'Gauge behind it: set with nothing running, read again with all running, written down',
      ],
    },
    clean: {
      steps: [
        WATER_OFF,
        { do: 'Its spring let go fully before a screw comes out', caution: 'The spring drives the cap off' },
        'Strainer, seat and diaphragm rinsed and looked at, in their order',
        'Together, set with nothing running, read again with all running',
        NO_DROP,
      ],
    },
    restore: {
      steps: [
        'Gauge behind it, nothing running',
        'Turned in small steps to the pressure of the sheet',
        'Read again with all running, both written down',
      ],
    },
  },
}
