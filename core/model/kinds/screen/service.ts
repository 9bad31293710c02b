import type { KindService } from '../contract'

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
}
