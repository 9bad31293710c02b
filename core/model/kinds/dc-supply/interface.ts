import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'dc-supply',
  title: 'battery or DC supply',
  line: 'power',
  terminals: ['plus', 'minus'],
  returns: { terminal: 'minus', word: 'minus', of: 'supply' },
  conductors: { plus: 'plus', minus: 'minus' },
  ports: [],
  params: {
    volts: { dimension: 'voltage', min: 0.1, max: 1000 },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±50 %', min: 1e-6 },
  },
}
