import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'motor',
  title: 'motor',
  line: 'power',
  terminals: ['a', 'b'],
  ports: [],
  windings: ['ohms'],
  params: {
    ohms: { dimension: 'resistance', min: 0.01 },
    henries: { dimension: 'inductance', typical: '0.3 H ±20 %', min: 1e-6 },
    starts: { dimension: 'voltage' },
  },
  modes: [
    { name: 'winding', values: ['open', 'whole'], initial: 1 },
    { name: 'turning', values: ['still', 'turning'], initial: 0 },
  ],
}
