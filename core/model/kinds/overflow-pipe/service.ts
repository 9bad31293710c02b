import type { KindService } from '../contract'
import { DEAD } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'runs', type: 'sense', signal: 'runs', sense: 'eye', when: 'active' },
    { id: 'look', type: 'sense', signal: 'off', sense: 'eye', plain: true, when: 'isolated' },
  ],
  faults: {
    blocked: {
      title: 'overflow blocked',
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.001, to: 0.02, scale: 'log' },
      ratePerYear: 0.015,
      cure: 'clean',
    },
    off: {
      title: 'overflow pipe not pushed home',
      effects: [{ mode: 'pipe', at: 'off' }],
      ratePerYear: 0.01,
      saidWith: { cleaned: 0.5 },
      cure: 'restore',
    },
  },
  works: {
    clean: { steps: [DEAD, 'Cleared to its end with a flexible rod', 'A litre poured in: runs off without rising'] },
  },
}
