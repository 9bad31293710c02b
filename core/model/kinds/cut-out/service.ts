import { HEATED } from '../bench-tests'
import type { KindService, MeasurementSpec } from '../contract'
import { COOL, changed } from '../works'

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
    HEATED,
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
  works: {
    replace: changed(
      'near zero cold; its opening is tried a few kelvin past its rating where it resets by itself or by a button',
      'Note where its bead or disc touches, and put heat paste where there was some',
    ),
    restore: {
      steps: [
        'Find why it tripped before it is reset: run dry, scale, a contact or output that holds on',
        COOL,
        'Press its button once it is cool; it stays in or it is changed',
        { do: 'Water seen by eye, then let it heat once under watch', caution: 'Never bridged, never held in' },
        'The thermostat is seen to stop the heat below it',
      ],
    },
  },
}
