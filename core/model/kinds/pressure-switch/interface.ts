import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'pressure-switch',
  title: 'level pressure switch',
  line: 'level',
  terminals: ['com', 'empty', 'full'],
  ports: [],
  hysteresis: [['trip', 'reset']],
  params: {
    trip: { dimension: 'pressure', min: 1 },
    reset: { dimension: 'pressure', min: 0 },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  refs: { tube: 'pressure' },
  modes: [
    { name: 'snap', values: ['empty', 'full'], initial: 0 },
    { name: 'contact', values: ['empty', 'full', 'open', 'follows'], initial: 3 },
  ],
  jumperAllowed: false,
  forcible: ['snap'],
}
