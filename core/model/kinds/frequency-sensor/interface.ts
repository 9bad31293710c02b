import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'frequency-sensor',
  title: 'level sensor with frequency output',
  line: 'level',
  terminals: ['supply', 'out', 'com'],
  ports: [],
  windings: ['ohms'],
  params: {
    ohms: {
      description: 'of the winding, measured between supply and common',
      dimension: 'resistance',
      typical: '20 Ω ±10 %',
      min: 0.1,
    },
    wakes: { dimension: 'voltage', typical: '4 V ±5 %' },
    'out-ohms': { dimension: 'resistance', typical: '1 kΩ ±10 %', min: 1 },
    swing: { dimension: 'voltage', typical: '2.4 V ±5 %', min: 0.01 },
    'empty-hertz': { dimension: 'frequency', typical: '26 kHz ±0.5 %', min: 1 },
    falls: {
      description: 'how far the frequency falls at full pressure',
      dimension: 'frequency',
      typical: '5 kHz ±3 %',
      min: 0.1,
    },
    'full-pressure': { dimension: 'pressure', typical: '3924 Pa ±1 %', min: 1 },
  },
  refs: { tube: 'pressure' },
  modes: [
    { name: 'cell', values: ['silent', 'frozen', 'follows'], initial: 2 },
    { name: 'awake', values: ['no', 'yes'], initial: 0 },
  ],
}
