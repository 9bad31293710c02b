import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'stop',
  title: 'stop valve',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: { passes: { dimension: 'flow', typical: '40 L/min ±15 %', min: 1e-9 } },
  modes: [{ name: 'open', values: ['shut', 'open'], initial: 1 }],
  manual: { mode: 'open', disconnected: 0 },
}
