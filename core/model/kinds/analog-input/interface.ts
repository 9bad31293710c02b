import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'analog-input',
  title: 'level input of the control',
  line: 'level',
  terminals: ['in', 'com'],
  returns: { terminal: 'com', word: 'common', of: 'circuit' },
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '470 kΩ ±5 %', min: 1 },
    'empty-volts': { dimension: 'voltage', typical: '0.5 V ±0.01 V' },
    'full-volts': { dimension: 'voltage', typical: '4.5 V ±0.01 V' },
    'full-level': { dimension: 'length', typical: '400 mm ±1 mm', min: 1e-3 },
  },
}
