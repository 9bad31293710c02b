import type { KindService, MeasurementSpec } from '../contract'

const BUTTON: MeasurementSpec = {
  id: 'look',
  type: 'sense',
  signal: 'tripped',
  sense: 'eye',
  plain: true,
  when: 'isolated',
  minutes: 0.5,
}

export const kindService: KindService = {
  bench: 'heated',
  measurements: ({ choice }) => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    ...(choice.reset === 'button' ? [BUTTON] : []),
  ],
  faults: {
    tripped: {
      title: 'cut-out tripped',
      only: { choice: 'reset', is: ['hand', 'button'] },
      effects: [{ mode: 'contact', at: 'tripped' }],
      ratePerYear: 0.02,
      cure: 'restore',
    },
    gone: {
      title: 'one-shot cut-out gone',
      only: { choice: 'reset', is: ['never'] },
      effects: [{ mode: 'contact', at: 'tripped' }],
      ratePerYear: 0.02,
      cure: 'replace',
    },
    welded: {
      title: 'cut-out does not open',
      effects: [{ mode: 'contact', at: 'closed' }],
      ratePerYear: 0.002,
      cure: 'replace',
    },
  },
}
