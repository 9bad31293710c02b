import type { KindService, MeasurementSpec } from '../contract'

const only = { choice: 'poles', is: ['open'] }
const POLES: readonly MeasurementSpec[] = [
  { id: 'across-live', type: 'volts', a: 'Lin', b: 'Lout', when: 'active' },
  { id: 'across-neutral', type: 'volts', a: 'Nin', b: 'Nout', when: 'active' },
  { id: 'out', type: 'volts', a: 'Lout', b: '@return', when: 'active' },
]

export const kindService: KindService = {
  // Once the machine has been made safe it says nothing any more.
  measurements: ({ choice }) => [
    { id: 'found', type: 'sense', signal: 'on', sense: 'eye', plain: true, when: 'found' },
    ...(choice.poles === 'open' ? POLES : []),
  ],
  faults: {
    off: {
      title: 'not plugged in or switched off',
      saidWith: { 'worked-on': 0.3, cleaned: 0.2 },
      effects: [{ mode: 'closed', at: 'off' }],
      ratePerYear: 0.03,
      cure: 'restore',
    },
    'live-burnt': {
      title: 'live pole of the isolator burnt',
      only,
      effects: [{ mode: 'burnt', at: 'live' }],
      ratePerYear: 0.008,
      intermittentShare: 0.2,
      cure: 'replace',
    },
    'neutral-burnt': {
      title: 'neutral pole of the isolator burnt',
      only,
      effects: [{ mode: 'burnt', at: 'neutral' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
  },
  works: {
    restore: {
      steps: [
        { do: 'Ask who switched it off and why', caution: 'Somebody may be at work behind it' },
        'Everybody clear, then on',
        'Measure the volts behind it while the machine draws its full current',
      ],
    },
  },
}
