import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'thermistor',
  title: 'thermistor',
  line: 'level',
  terminals: ['1', '2'],
  ports: [],
  params: {
    ohms: { description: 'at 25 °C', dimension: 'resistance', typical: '10 kΩ ±5 %', min: 1 },
    beta: { dimension: 'kelvin', typical: '3950 K ±2 %', min: 100 },
    feels: {
      description:
        'how much of the difference between water and surroundings the bead feels: less than all with a loose clip',
      dimension: 'ratio',
      typical: '100 %',
      min: 0,
      max: 1,
    },
  },
  refs: { of: 'temperature' },
  modes: [{ name: 'bead', values: ['open', 'shorted', 'whole'], initial: 2 }],
  leadLifts: true,
}
