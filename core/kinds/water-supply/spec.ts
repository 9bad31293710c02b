import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'water-supply',
  title: 'water supply',
  line: 'water',
  terminals: [],
  ports: ['street', 'out'],
  params: {
    pressure: { dimension: 'pressure', typical: '3 bar ±40 %', least: 0 },
    temperature: { dimension: 'temperature', typical: '14 °C ±8 °C' },
    passes: { dimension: 'flow', typical: '35 L/min ±20 %', least: 1e-9 },
  },
}
