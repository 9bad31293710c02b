import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'flame', type: 'sense', signal: 'burns', sense: 'eye', plain: true, when: 'active' },
  ],
  faults: {
    dead: {
      title: 'burner does not light',
      effects: [{ mode: 'train', at: 'dead' }],
      ratePerYear: 0.03,
      intermittentShare: 0.2,
      cure: 'restore',
    },
    weak: {
      title: 'burner burns weakly',
      effects: [{ param: 'watts', times: 'severity' }],
      severity: { from: 0.2, to: 0.45, scale: 'linear' },
      ratePerYear: 0.015,
      saidWith: { slowly: 0.3 },
      cure: 'restore',
    },
  },
}
