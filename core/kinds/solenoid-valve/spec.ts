import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'solenoid-valve',
  title: 'solenoid valve',
  line: 'water',
  terminals: ['a', 'b'],
  ports: ['in', 'out'],
  windings: ['ohms'],
  hysteresis: [['pull-in', 'drop-out']],
  params: {
    ohms: { dimension: 'resistance', least: 0.1 },
    'henries-out': { dimension: 'inductance', least: 1e-6 },
    'henries-in': { dimension: 'inductance', least: 1e-6 },
    'pull-in': { dimension: 'voltage' },
    'drop-out': { dimension: 'voltage' },
    'opens-at': { dimension: 'pressure', typical: '0.3 bar ±20 %', least: 0 },
    passes: { dimension: 'flow', typical: '20 L/min ±8 %', least: 1e-9 },
    rated: { dimension: 'flow', typical: '14 L/min ±8 %', least: 1e-9 },
  },
  words: { rest: ['closed', 'open'] },
  modes: [
    { name: 'coil', values: ['open', 'whole'], initial: 1 },
    { name: 'plunger', values: ['rest', 'pulled'], initial: 0 },
    { name: 'passage', values: ['closed', 'open'], initial: 0 },
  ],
}
