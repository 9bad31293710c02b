import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'frequency-sensor',
  title: 'level sensor with frequency output',
  line: 'level',
  terminals: ['supply', 'out', 'com'],
  ports: [],
  windings: ['ohms'],
  params: {
    ohms: {
      about: 'of the winding, measured between supply and common',
      dimension: 'resistance',
      typical: '20 Ω ±10 %',
      least: 0.1,
    },
    wakes: { dimension: 'voltage', typical: '4 V ±5 %' },
    'out-ohms': { dimension: 'resistance', typical: '1 kΩ ±10 %', least: 1 },
    swing: { dimension: 'voltage', typical: '2.4 V ±5 %', least: 0.01 },
    'empty-hertz': { dimension: 'frequency', typical: '26 kHz ±0.5 %', least: 1 },
    falls: {
      about: 'how far the frequency falls at full pressure',
      dimension: 'frequency',
      typical: '5 kHz ±3 %',
      least: 0.1,
    },
    'full-pressure': { dimension: 'pressure', typical: '3924 Pa ±1 %', least: 1 },
  },
  refs: { tube: 'pressure' },
  modes: [
    { name: 'cell', values: ['silent', 'frozen', 'follows'], initial: 2 },
    { name: 'awake', values: ['no', 'yes'], initial: 0 },
  ],
}
