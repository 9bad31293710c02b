import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'isolator',
  title: 'isolator',
  line: 'power',
  terminals: ['Lin', 'Lout', 'Nin', 'Nout'],
  ports: [],
  params: { ohms: { dimension: 'resistance', typical: '0.01 Ω ±50 %', least: 1e-6 } },
  modes: [{ name: 'closed', values: ['off', 'on'], initial: 1 }],
  hand: { mode: 'closed', parted: 0 },
  isolates: true,
}
