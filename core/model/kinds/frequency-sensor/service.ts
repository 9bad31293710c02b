import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'supply-volts', type: 'volts', a: 'supply', b: 'com', when: 'active' },
    { id: 'hertz', type: 'hertz', signal: 'hertz', a: 'out', b: 'com', when: 'settled' },
    { id: 'ohms', type: 'ohms', a: 'supply', b: 'com', when: 'isolated', lifted: true },
  ],
  faults: {
    silent: {
      title: 'level sensor gives no frequency',
      effects: [{ mode: 'cell', at: 'silent' }],
      ratePerYear: 0.008,
      cure: 'replace',
    },
    frozen: {
      title: 'level sensor stuck at empty',
      effects: [{ mode: 'cell', at: 'frozen' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
    drifted: {
      title: 'level sensor drifted',
      effects: [{ param: 'empty-hertz', times: 'severity' }],
      severity: { from: 1.02, to: 1.08, scale: 'linear' },
      ratePerYear: 0.005,
      cure: 'replace',
    },
  },
  works: {
    replace: changed(
      'its winding on the pins that the diagram names; its raw figure empty, then at one known height',
      'Blow through its hose: clear, and dry',
    ),
  },
}
