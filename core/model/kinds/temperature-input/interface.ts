import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'temperature-input',
  title: 'temperature input of the control',
  line: 'level',
  terminals: ['in', 'com'],
  returns: { terminal: 'com', word: 'common', of: 'circuit' },
  ports: [],
  params: {
    volts: { dimension: 'voltage', typical: '5 V ±1 %', min: 0.1 },
    'pull-up': { dimension: 'resistance', typical: '10 kΩ ±1 %', min: 1 },
    ohms: {
      description: 'the curve that the control has in it',
      dimension: 'resistance',
      typical: '10 kΩ ±0.1 %',
      min: 1,
    },
    beta: { dimension: 'kelvin', typical: '3950 K', min: 100 },
  },
}
