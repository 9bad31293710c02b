import { HEATED } from '../bench-tests'
import type { KindService, MeasurementSpec } from '../contract'
import { changed } from '../works'

/** Ice held on the bulb: it should open. */
const CHILLED: MeasurementSpec = {
  id: 'chilled',
  type: 'ohms',
  a: '1',
  b: '2',
  when: 'isolated',
  lifted: true,
  held: { snap: 'cold' },
  minutes: 4,
}

export const kindService: KindService = {
  bench: 'heated',
  measurements: ({ choice }) => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'to-return', type: 'volts', a: '2', b: '@return', when: 'active' },
    ...(choice.opens === 'cold' ? [CHILLED] : [HEATED]),
  ],
  faults: {
    'stuck-open': {
      title: 'thermostat does not close',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    'stuck-closed': {
      title: 'thermostat does not open',
      effects: [{ mode: 'contact', at: 'closed' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
    'opens-early': {
      title: 'thermostat opens early',
      only: { choice: 'opens', is: ['warm'] },
      effects: [
        { param: 'opens-at', times: 'severity' },
        { param: 'closes-at', times: 'severity' },
      ],
      severity: { from: 0.65, to: 0.92, scale: 'linear' },
      ratePerYear: 0.006,
      cure: 'replace',
    },
  },
  works: {
    replace: changed(
      'where it opens and where it closes again, in water or ice beside a thermometer',
      'Note how it is held to what it feels: a bulb in its pocket with no kink in its line, a disc flat under its clip',
    ),
  },
}
