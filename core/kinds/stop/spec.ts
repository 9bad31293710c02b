import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'stop',
  title: 'stop valve',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: { passes: { dimension: 'flow', typical: '40 L/min ±15 %', least: 1e-9 } },
  modes: [{ name: 'open', values: ['shut', 'open'], initial: 1 }],
  hand: { mode: 'open', parted: 0 },
}
