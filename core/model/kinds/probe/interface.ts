import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'probe',
  title: 'level probe',
  line: 'level',
  terminals: ['tip', 'shell'],
  ports: [],
  params: {
    at: { dimension: 'length', min: 0 },
    'wet-ohms': { description: 'in water of 500 µS/cm', dimension: 'resistance', typical: '4 kΩ ±60 %', min: 1 },
  },
  refs: { of: 'level' },
  /** Where the water comes from; ordinary tap water when left out. */
  optionalRefs: { water: 'conductivity' },
  modes: [
    { name: 'wet', values: ['dry', 'wet'], initial: 0 },
    { name: 'skin', values: ['scaled', 'bridged', 'clean'], initial: 2 },
  ],
  forcible: ['wet'],
  leadLifts: true,
}
