import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'gas-valve',
  title: 'hot-gas valve',
  line: 'power',
  terminals: ['a', 'b'],
  ports: [],
  windings: ['ohms'],
  hysteresis: [['pull-in', 'drop-out']],
  params: {
    ohms: { dimension: 'resistance', least: 0.1 },
    'henries-out': { dimension: 'inductance', least: 1e-6 },
    'henries-in': { dimension: 'inductance', least: 1e-6 },
    'pull-in': { dimension: 'voltage' },
    'drop-out': { dimension: 'voltage' },
  },
  modes: [
    { name: 'coil', values: ['open', 'whole'], initial: 1 },
    { name: 'plunger', values: ['rest', 'pulled'], initial: 0 },
    { name: 'seat', values: ['leaks', 'tight'], initial: 1 },
  ],
}
