import type { KindInterface } from '../contract'

/** A valve that a small geared motor opens and shuts: it stays where it was when the current goes. */
export const kindInterface: KindInterface = {
  id: 'motor-valve',
  title: 'motor valve',
  line: 'water',
  terminals: ['open', 'close', 'com'],
  ports: ['in', 'out'],
  windings: ['ohms'],
  params: {
    ohms: { description: 'of each of its two windings', dimension: 'resistance', min: 0.1 },
    henries: { dimension: 'inductance', typical: '2 H ±20 %', min: 1e-6 },
    starts: { dimension: 'voltage' },
    travels: { description: 'time from one end to the other', dimension: 'time', min: 0.1 },
    passes: { dimension: 'flow', typical: '30 L/min ±15 %', min: 1e-9 },
    seats: {
      description: 'where its seat stops it as it shuts',
      dimension: 'ratio',
      typical: '0 %',
      min: 0,
      max: 0.95,
    },
  },
  states: [{ name: 'travel', tolerance: 1e-4 }],
  modes: [
    { name: 'windings', values: ['open', 'whole'], initial: 1 },
    { name: 'gear', values: ['stripped', 'whole'], initial: 1 },
    { name: 'drive', values: ['still', 'opening', 'shutting'], initial: 0 },
    { name: 'end', values: ['shut', 'between', 'open'], initial: 0 },
    { name: 'gate', values: ['shut', 'a quarter open', 'half open', 'three quarters open', 'open'], initial: 0 },
  ],
}
