import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'wire',
  title: 'wire',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: { ohms: { dimension: 'resistance', typical: '0.1 Ω ±50 %', min: 1e-6 } },
  modes: [{ name: 'run', values: ['broken', 'whole'], initial: 1 }],
}
