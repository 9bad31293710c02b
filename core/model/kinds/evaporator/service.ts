import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'frost', type: 'sense', signal: 'frosted', sense: 'eye', plain: true, when: 'active' },
    { id: 'temperature', type: 'display', signal: 'temperature', when: 'active', by: 'thermometer' },
  ],
  faults: {
    'no-cold': {
      title: 'refrigerant circuit does not cool',
      effects: [{ mode: 'charge', at: 'lost' }],
      ratePerYear: 0.02,
      cure: 'restore',
    },
  },
}
