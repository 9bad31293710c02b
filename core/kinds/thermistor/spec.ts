import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'thermistor',
  title: 'thermistor',
  line: 'level',
  terminals: ['1', '2'],
  ports: [],
  params: {
    ohms: { about: 'at 25 °C', dimension: 'resistance', typical: '10 kΩ ±5 %', least: 1 },
    beta: { dimension: 'kelvin', typical: '3950 K ±2 %', least: 100 },
    feels: {
      about:
        'how much of the difference between water and surroundings the bead feels: less than all with a loose clip',
      dimension: 'ratio',
      typical: '100 %',
      least: 0,
      most: 1,
    },
  },
  refs: { of: 'temperature' },
  modes: [{ name: 'bead', values: ['open', 'shorted', 'whole'], initial: 2 }],
}
