import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'temperature-input',
  title: 'temperature input of the control',
  line: 'level',
  terminals: ['in', 'com'],
  ports: [],
  params: {
    volts: { dimension: 'voltage', typical: '5 V ±1 %', least: 0.1 },
    'pull-up': { dimension: 'resistance', typical: '10 kΩ ±1 %', least: 1 },
    ohms: { about: 'the curve that the control has in it', dimension: 'resistance', typical: '10 kΩ ±0.1 %', least: 1 },
    beta: { dimension: 'kelvin', typical: '3950 K', least: 100 },
  },
}
