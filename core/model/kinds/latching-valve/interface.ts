import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'latching-valve',
  title: 'latching valve',
  line: 'water',
  terminals: ['a', 'b'],
  ports: ['in', 'out'],
  windings: ['ohms'],
  params: {
    ohms: { dimension: 'resistance', min: 0.1 },
    latches: {
      description: 'a pulse of at least this, plus at a, opens it; the other way round it shuts',
      dimension: 'voltage',
    },
    'opens-at': { dimension: 'pressure', typical: '0.3 bar ±20 %', min: 0 },
    passes: { dimension: 'flow', typical: '20 L/min ±8 %', min: 1e-9 },
  },
  // A magnet holds the plunger where the last pulse has put it, power or no power.
  modes: [
    { name: 'coil', values: ['open', 'whole'], initial: 1 },
    { name: 'latch', values: ['shut', 'open'], initial: 0 },
    { name: 'passage', values: ['closed', 'open'], initial: 0 },
  ],
}
