import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'board',
  title: 'control board',
  line: 'power',
  terminals: ['L', 'N'],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '2400 Ω ±30 %', min: 1 },
    wakes: { dimension: 'voltage', typical: '85 V ±5 %' },
  },
  modes: [{ name: 'life', values: ['dead', 'alive'], initial: 1 }],
}
