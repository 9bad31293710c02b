import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'vessel',
  title: 'vessel',
  line: 'level',
  terminals: [],
  ports: ['top', 'bottom'],
  params: {
    area: { dimension: 'area', least: 1e-6 },
    height: { dimension: 'length', least: 1e-3 },
    start: { dimension: 'volume', typical: '0 L', least: 0 },
  },
  states: [{ name: 'volume', startsAt: 'start' }, { name: 'spilled' }],
  modes: [{ name: 'brim', values: ['below', 'over'], initial: 0 }],
}
