import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'probe',
  title: 'level probe',
  line: 'level',
  terminals: ['tip', 'shell'],
  ports: [],
  params: {
    at: { dimension: 'length', least: 0 },
    'wet-ohms': { about: 'in water of 500 µS/cm', dimension: 'resistance', typical: '4 kΩ ±60 %', least: 1 },
  },
  refs: { of: 'level' },
  /** Where the water comes from; ordinary tap water when left out. */
  mayRefer: { water: 'conductivity' },
  modes: [
    { name: 'wet', values: ['dry', 'wet'], initial: 0 },
    { name: 'skin', values: ['scaled', 'bridged', 'clean'], initial: 2 },
  ],
  forced: ['wet'],
}
