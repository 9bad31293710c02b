import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'ac-supply',
  title: 'supply',
  line: 'power',
  terminals: ['L', 'N'],
  returns: { terminal: 'N', word: 'neutral', of: 'supply' },
  ports: [],
  params: {
    volts: { dimension: 'voltage', min: 1, max: 1000 },
    ohms: { dimension: 'resistance', typical: '0.4 Ω ±50 %', min: 1e-6 },
  },
}
