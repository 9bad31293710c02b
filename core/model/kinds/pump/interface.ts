import { motorModes, motorParams } from '../motor-winding'
import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'pump',
  title: 'pump',
  line: 'water',
  terminals: ['a', 'b'],
  endangers: 'motion',
  ports: ['in', 'out'],
  windings: ['ohms'],
  params: {
    ...motorParams,
    head: { dimension: 'pressure', typical: '0.25 bar ±15 %', min: 1 },
    passes: { dimension: 'flow', typical: '80 L/min ±20 %', min: 1e-9 },
    'primes-at': { dimension: 'length', typical: '8 mm', min: 0 },
  },
  refs: { of: 'level' },
  modes: [...motorModes, { name: 'primed', values: ['dry', 'primed'], initial: 0 }],
}
