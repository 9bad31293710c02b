import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'pump',
  title: 'pump',
  line: 'water',
  terminals: ['a', 'b'],
  ports: ['in', 'out'],
  windings: ['ohms'],
  params: {
    ohms: { dimension: 'resistance', min: 0.1 },
    henries: { dimension: 'inductance', typical: '0.3 H ±20 %', min: 1e-6 },
    starts: { dimension: 'voltage' },
    head: { dimension: 'pressure', typical: '0.25 bar ±15 %', min: 1 },
    passes: { dimension: 'flow', typical: '80 L/min ±20 %', min: 1e-9 },
    'primes-at': { dimension: 'length', typical: '8 mm', min: 0 },
  },
  refs: { of: 'level' },
  modes: [
    { name: 'winding', values: ['open', 'whole'], initial: 1 },
    { name: 'turning', values: ['still', 'turning'], initial: 0 },
    { name: 'primed', values: ['dry', 'primed'], initial: 0 },
  ],
}
