import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'leak',
  title: 'joint that may weep',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: { passes: { dimension: 'flow', typical: '0.6 L/min ±30 %', min: 1e-9 } },
  modes: [{ name: 'seal', values: ['weeps', 'tight'], initial: 1 }],
}
