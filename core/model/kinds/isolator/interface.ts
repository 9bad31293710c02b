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
  /** Whether its poles can be got at and measured: those of a plug cannot. */
  choices: { poles: ['sealed', 'open'] },
  modes: [
    { name: 'closed', values: ['off', 'on'], initial: 1 },
    { name: 'burnt', values: ['live', 'neutral', 'none'], initial: 2 },
  ],
  manual: { mode: 'closed', disconnected: 0 },
  isolates: true,
}
