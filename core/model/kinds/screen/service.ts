import type { KindService } from '../contract'
import { WATER_OFF, NO_DROP } from '../works'

export const kindService: KindService = {
  measurements: () => [
    {
      id: 'look',
      type: 'sense',
      signal: 'dirty',
      sense: 'eye',
      plain: true,
      when: 'isolated',
      reach: 'joint',
      minutes: 1,
    },
    {
      id: 'torn',
      type: 'sense',
      signal: 'torn',
      sense: 'eye',
      plain: true,
      when: 'isolated',
      reach: 'joint',
      minutes: 1,
    },
  ],
  faults: {
    blocked: {
      title: 'screen blocked',
      saidWith: { plumbing: 0.3, slowly: 0.4 },
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.0005, to: 0.06, scale: 'log' },
      ratePerYear: 0.05,
      cure: 'clean',
    },
    // By itself it only lets grit through: a sheet says what that brings about.
    torn: {
      title: 'screen torn',
      saidWith: { cleaned: 0.4 },
      effects: [{ mode: 'mesh', at: 'torn' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
  works: {
    clean: {
      steps: [
        WATER_OFF,
        'Hose off, the screen drawn by its tab with pliers',
        'Rinsed against the flow; scale soaked off; a torn or bent one is changed at once',
        'Pushed home square, hose with its seal by hand and a little more',
        NO_DROP,
        'Bucket under the hose: what runs in a minute is written down',
      ],
      lookAt: ['what was caught: grit asks for a filter upstream'],
    },
    replace: {
      steps: [
        WATER_OFF,
        'The old one drawn out whole: nothing of it stays in the valve',
        'The new one home square, hose with its seal',
        NO_DROP,
      ],
    },
  },
}
