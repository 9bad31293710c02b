import type { KindService } from '../contract'
import { COOL, DESCALER, changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'look', type: 'sense', signal: 'coated', sense: 'eye', plain: true, when: 'isolated', minutes: 5 },
    { id: 'ohms', type: 'ohms', a: 'tip', b: 'shell', when: 'isolated', lifted: true },
  ],
  faults: {
    scaled: {
      title: 'probe scaled over',
      saidWith: { slowly: 0.5 },
      effects: [{ mode: 'skin', at: 'scaled' }],
      ratePerYear: 0.08,
      cure: 'clean',
    },
    bridged: {
      title: 'probe insulator bridged by wet scale',
      effects: [{ mode: 'skin', at: 'bridged' }],
      ratePerYear: 0.03,
      cure: 'clean',
    },
  },
  works: {
    clean: {
      steps: [
        COOL,
        'Mark the leads, unscrew the probes, look at the insulators for wet scale',
        DESCALER,
        'Tips bright, insulators dry and clean from tip to thread',
        'Back with new seals, leads by their marks',
        'Fill: each acts at its own height',
      ],
    },
    replace: changed('its length beside the old one; open from tip to thread, dry', COOL),
  },
}
