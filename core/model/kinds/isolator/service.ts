import type { KindService } from '../contract'

export const kindService: KindService = {
  // Once the machine has been made safe it says nothing any more.
  measurements: () => [{ id: 'found', type: 'sense', signal: 'on', sense: 'eye', plain: true, when: 'found' }],
  faults: {
    off: {
      title: 'not plugged in or switched off',
      saidWith: { 'worked-on': 0.3, cleaned: 0.2 },
      effects: [{ mode: 'closed', at: 'off' }],
      ratePerYear: 0.03,
      cure: 'restore',
    },
  },
}
