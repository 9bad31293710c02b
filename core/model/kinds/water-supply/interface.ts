import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'water-supply',
  title: 'water supply',
  line: 'water',
  terminals: [],
  ports: ['street', 'out'],
  params: {
    pressure: { dimension: 'pressure', typical: '3 bar ±40 %', min: 0 },
    temperature: { dimension: 'temperature', typical: '14 °C ±8 °C' },
    conducts: {
      description: 'tap water; hardly anything behind reverse osmosis or from a rain tank',
      dimension: 'conductivity',
      typical: '500 µS/cm ±40 %',
      min: 0,
    },
    passes: { dimension: 'flow', typical: '35 L/min ±20 %', min: 1e-9 },
  },
}
