import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'look', type: 'sense', signal: 'set', sense: 'eye', plain: true, when: 'cold' }],
  faults: {
    nothing: {
      title: 'start times lost, seasonal adjust at 0 %, or a rain delay on',
      effects: [{ mode: 'settings', at: 'nothing' }],
      saidWith: { 'worked-on': 0.3 },
      ratePerYear: 0.03,
      cure: 'restore',
    },
  },
  works: {
    restore: {
      steps: [
        'Day and time of the controller first',
        'One program, its start once, its days and its minutes by zone',
        'A second start that nobody wants taken out',
        'Run by hand through every zone; written into the lid',
      ],
    },
  },
}
