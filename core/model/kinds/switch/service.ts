import type { KindService, MeasurementSpec } from '../contract'
import { changed } from '../works'

const BUTTON: MeasurementSpec = {
  id: 'look',
  type: 'sense',
  signal: 'out',
  sense: 'eye',
  plain: true,
  when: 'isolated',
  minutes: 0.5,
}

export const kindService: KindService = {
  measurements: ({ choice }): MeasurementSpec[] => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    ...(choice.worked === 'by-hand' ? [{ id: 'worked', type: 'worked', when: 'isolated' } as const] : []),
    ...(choice.reset === 'button' ? [BUTTON] : []),
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'to-return', type: 'volts', a: '2', b: '@return', when: 'active' },
  ],
  faults: {
    'stuck-open': {
      title: 'switch does not close',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.02,
      intermittentShare: 0.15,
      cure: 'replace',
    },
    'stuck-closed': {
      title: 'switch does not open',
      effects: [{ mode: 'contact', at: 'closed' }],
      ratePerYear: 0.004,
      cure: 'replace',
    },
    burnt: {
      title: 'burnt switch contacts',
      effects: [{ param: 'ohms', plus: 'severity' }],
      severity: { from: 100, to: 10000, scale: 'log' },
      ratePerYear: 0.005,
      cure: 'replace',
    },
  },
  works: {
    replace: changed('near zero closed, open when it is worked, ten times'),
  },
}
