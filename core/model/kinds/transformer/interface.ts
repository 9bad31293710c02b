import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'transformer',
  title: 'transformer',
  line: 'power',
  terminals: ['p1', 'p2', 's1', 's2'],
  insulated: [
    ['p1', 'p2'],
    ['s1', 's2'],
  ],
  returns: { terminal: 's2', word: 'common', of: 'circuit' },
  ports: [],
  params: {
    ratio: { dimension: 'count', min: 0.01, max: 1000 },
    'primary-ohms': { dimension: 'resistance', typical: '30 Ω ±20 %', min: 1e-6 },
    'secondary-ohms': { dimension: 'resistance', typical: '1 Ω ±20 %', min: 1e-6 },
    henries: { dimension: 'inductance', typical: '5 H ±30 %', min: 1e-6 },
  },
  modes: [{ name: 'winding', values: ['open', 'whole'], initial: 1 }],
}
