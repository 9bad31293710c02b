import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'probe',
  title: 'level probe',
  line: 'level',
  terminals: ['tip', 'shell'],
  ports: [],
  params: {
    at: { dimension: 'length', least: 0 },
    'wet-ohms': { dimension: 'resistance', typical: '4 kΩ ±60 %', least: 1 },
  },
  refs: { of: 'level' },
  modes: [
    { name: 'wet', values: ['dry', 'wet'], initial: 0 },
    { name: 'skin', values: ['scaled', 'bridged', 'clean'], initial: 2 },
  ],
}
