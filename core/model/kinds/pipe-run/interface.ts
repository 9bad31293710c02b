import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'pipe-run',
  title: 'pipe run',
  line: 'water',
  terminals: [],
  // Air leaves through the outlets while it fills; what is driven out of them is the port `air`.
  ports: ['in', 'out', 'air'],
  openPorts: ['air'],
  params: {
    passes: { dimension: 'flow', typical: '60 L/min ±15 %', min: 1e-9 },
    holds: { dimension: 'volume', typical: '5 L ±10 %', min: 1e-6 },
    'runs-out': {
      description: 'runs out again by itself at this rate when nothing is fed in',
      dimension: 'flow',
      typical: '0 L/min',
      min: 0,
    },
    clear: { dimension: 'ratio', typical: '100 %', min: 1e-6, max: 1 },
  },
  states: [{ name: 'inside', tolerance: 1e-7 }],
  modes: [{ name: 'filled', values: ['filling', 'full'], initial: 0 }],
}
