import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'pressure-sensor',
  title: 'pressure sensor',
  line: 'level',
  terminals: ['out', 'com'],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '1 kΩ ±10 %', min: 1 },
    'empty-volts': { dimension: 'voltage', typical: '0.5 V ±0.02 V' },
    'full-volts': { dimension: 'voltage', typical: '4.5 V ±0.04 V' },
    'full-pressure': { dimension: 'pressure', typical: '3924 Pa ±1 %', min: 1 },
  },
  refs: { tube: 'pressure' },
  modes: [{ name: 'cell', values: ['frozen-low', 'frozen-high', 'follows'], initial: 2 }],
}
