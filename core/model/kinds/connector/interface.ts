import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'connector',
  title: 'plug',
  line: 'power',
  terminals: ['a1', 'b1', 'a2', 'b2'],
  insulated: [
    ['a1', 'b1'],
    ['a2', 'b2'],
  ],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '0.03 Ω ±60 %', min: 1e-6 },
    'return-ohms': { dimension: 'resistance', typical: '0.03 Ω ±60 %', min: 1e-6 },
  },
  modes: [{ name: 'mated', values: ['apart', 'mated'], initial: 1 }],
  manual: { mode: 'mated', disconnected: 0 },
}
