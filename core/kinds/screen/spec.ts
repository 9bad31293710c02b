import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'screen',
  title: 'strainer screen',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '60 L/min ±15 %', least: 1e-9 },
    clear: { dimension: 'ratio', typical: '100 %', least: 1e-6, most: 1 },
  },
  modes: [{ name: 'mesh', values: ['torn', 'whole'], initial: 1 }],
}
