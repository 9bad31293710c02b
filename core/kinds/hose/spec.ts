import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'hose',
  title: 'supply hose',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '45 L/min ±15 %', least: 1e-9 },
    clear: { dimension: 'ratio', typical: '100 %', least: 1e-6, most: 1 },
  },
}
