import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'hose',
  title: 'supply hose',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '45 L/min ±15 %', least: 1e-9 },
    blocked: { dimension: 'ratio', typical: '0 %', least: 0, most: 0.9999 },
  },
}
