import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'fuse',
  title: 'fuse',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±50 %', min: 1e-6 },
    'blows-at': { description: 'current at which it blows', dimension: 'current', typical: '100 A', min: 0.01 },
  },
  modes: [{ name: 'link', values: ['blown', 'whole'], initial: 1, stays: true }],
}
