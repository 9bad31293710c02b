import type { KindService } from '../contract'
import { COOL, DESCALER } from '../works'

export const kindService: KindService = {
  bench: 'dipped',
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'worked', type: 'worked', when: 'isolated' },
    { id: 'free', type: 'sense', signal: 'free', sense: 'hand', plain: true, when: 'isolated', minutes: 1.5 },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'cup', type: 'bench', check: 'cup', when: 'isolated', minutes: 4 },
    { id: 'to-return', type: 'volts', a: '2', b: '@return', when: 'active' },
  ],
  faults: {
    'stuck-open': {
      title: 'float switch does not close',
      effects: [{ mode: 'reed', at: 'open' }],
      ratePerYear: 0.012,
      intermittentShare: 0.15,
      cure: 'replace',
    },
    'stuck-closed': {
      title: 'float switch does not open',
      effects: [{ mode: 'reed', at: 'closed' }],
      ratePerYear: 0.008,
      cure: 'replace',
    },
    'float-down': {
      title: 'float jammed down',
      saidWith: { cleaned: 0.3, tapping: 0.3 },
      effects: [{ mode: 'guide', at: 'jammed-down' }],
      ratePerYear: 0.01,
      cure: 'clean',
    },
    'float-up': {
      title: 'float jammed up',
      saidWith: { cleaned: 0.3, tapping: 0.3 },
      effects: [{ mode: 'guide', at: 'jammed-up' }],
      ratePerYear: 0.006,
      cure: 'clean',
    },
  },
  works: {
    replace: {
      steps: [
        COOL,
        'Mark which end of each float is up, which one is upper, and which way it works',
        'Dip the new one ten times on its leads: open and closed each time, the right way round',
        'In with new seals, the same way up, leads by their marks',
        'Raise and lower the water at it once: it acts at its level both ways',
      ],
      proved: 'dipped ten times with the meter on it, ten of ten',
    },
    clean: {
      steps: [
        COOL,
        'Mark which end of each float is up and which one is upper before a clip comes off',
        DESCALER,
        'Brush stem and float, back the same way up, clip in its groove',
        'Dip it ten times with the meter on it: ten of ten, or it is changed',
        'Raise and lower the water at it once: it acts at its level both ways',
      ],
      lookAt: ['scale on the stem', 'a float that has drunk water: heavy, or it rattles'],
      proved: 'dipped ten times with the meter on it, ten of ten',
    },
  },
}
