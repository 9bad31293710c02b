import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'sense-input',
  title: 'control input',
  line: 'level',
  terminals: ['in', 'com'],
  ports: [],
  params: {
    volts: { dimension: 'voltage', typical: '5 V ±4 %', least: 0.1 },
    ohms: { dimension: 'resistance', typical: '47 kΩ ±10 %', least: 1 },
  },
  /** A lamp on the board shows whether it sees its terminals joined. */
  words: { shows: ['nothing', 'a lamp'] },
  modes: [
    { name: 'life', values: ['dead', 'alive'], initial: 1 },
    { name: 'bridge', values: ['off', 'on'], initial: 0 },
  ],
  forced: ['bridge'],
}
