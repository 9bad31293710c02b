import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'screen',
  title: 'strainer screen',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '60 L/min ±15 %', min: 1e-9 },
    clear: { dimension: 'ratio', typical: '100 %', min: 1e-6, max: 1 },
  },
  modes: [{ name: 'mesh', values: ['torn', 'whole'], initial: 1 }],
}
