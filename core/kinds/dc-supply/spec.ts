import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'dc-supply',
  title: 'battery or DC supply',
  line: 'power',
  terminals: ['plus', 'minus'],
  returns: 'minus',
  ports: [],
  params: {
    volts: { dimension: 'voltage', least: 0.1, most: 1000 },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±50 %', least: 1e-6 },
  },
}
