import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'ac-supply',
  title: 'supply',
  line: 'power',
  // The earth is the third conductor; a chain that passes through goes from L to N.
  terminals: ['L', 'N', 'E'],
  returns: { terminal: 'N', word: 'neutral', of: 'supply' },
  conductors: { L: 'live', N: 'neutral', E: 'earth' },
  ports: [],
  params: {
    volts: { dimension: 'voltage', min: 1, max: 1000 },
    ohms: { dimension: 'resistance', typical: '0.4 Ω ±50 %', min: 1e-6 },
    'earth-ohms': {
      description: 'between neutral and earth, back at the board',
      dimension: 'resistance',
      typical: '0.5 Ω ±50 %',
      min: 1e-6,
    },
    'trips-at': {
      description: 'current to earth at which its breaker trips',
      dimension: 'current',
      typical: '24 mA ±20 %',
      min: 0.001,
    },
  },
  modes: [{ name: 'breaker', values: ['tripped', 'on'], initial: 1 }],
}
