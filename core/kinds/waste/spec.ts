import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'waste',
  title: 'waste',
  line: 'water',
  terminals: [],
  ports: ['in', 'air'],
  params: {
    passes: { dimension: 'flow', typical: '60 L/min ±15 %', least: 1e-9 },
    height: { dimension: 'length', typical: '0 mm' },
    clear: { dimension: 'ratio', typical: '100 %', least: 1e-6, most: 1 },
  },
}
