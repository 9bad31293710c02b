import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'connector',
  title: 'plug',
  line: 'power',
  terminals: ['a1', 'b1', 'a2', 'b2'],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '0.03 Ω ±60 %', least: 1e-6 },
    'return-ohms': { dimension: 'resistance', typical: '0.03 Ω ±60 %', least: 1e-6 },
  },
  modes: [{ name: 'mated', values: ['apart', 'mated'], initial: 1 }],
  hand: { mode: 'mated', parted: 0 },
}
