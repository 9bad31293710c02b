import type { KindService } from '../contract'
import { modulatingFaults } from '../modulating'
import { PASSES_OFF } from '../valve-looks'

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
}
