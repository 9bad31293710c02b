import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'frost', what: 'sense', signal: 'frosted', sense: 'eye', when: 'active' },
    { id: 'temperature', what: 'display', signal: 'temperature', when: 'active', by: 'thermometer' },
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
