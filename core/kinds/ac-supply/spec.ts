import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'ac-supply',
  title: 'supply',
  line: 'power',
  terminals: ['L', 'N'],
  returns: 'N',
  ports: [],
  params: {
    volts: { dimension: 'voltage', least: 1, most: 1000 },
    ohms: { dimension: 'resistance', typical: '0.4 Ω ±50 %', least: 1e-6 },
  },
}
