import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'door', type: 'sense', signal: 'shut', sense: 'eye', plain: true, when: 'isolated' }],
  faults: {
    open: {
      title: 'door of the room stands open',
      effects: [
        { mode: 'door', at: 'open' },
        { param: 'loses', times: 'severity' },
        { param: 'airs', times: 0.3 },
      ],
      severity: { from: 2, to: 5, scale: 'log' },
      ratePerYear: 0.02,
      cure: 'restore',
    },
  },
  works: {
    restore: {
      steps: [
        'Look along seal and sill of the door with a lamp behind it',
        'Hinge and catch set so that it shuts by itself',
        'Heated once with it shut: it comes to its temperature in its time',
      ],
    },
  },
}
