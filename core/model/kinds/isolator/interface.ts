import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'isolator',
  title: 'isolator',
  line: 'power',
  terminals: ['Lin', 'Lout', 'Nin', 'Nout'],
  insulated: [
    ['Lin', 'Lout'],
    ['Nin', 'Nout'],
  ],
  ports: [],
  params: { ohms: { dimension: 'resistance', typical: '0.01 Ω ±50 %', min: 1e-6 } },
  modes: [{ name: 'closed', values: ['off', 'on'], initial: 1 }],
  manual: { mode: 'closed', disconnected: 0 },
  isolates: true,
}
