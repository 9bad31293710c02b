import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'frequency-input',
  title: 'frequency input of the control',
  line: 'level',
  terminals: ['in', 'com'],
  returns: { terminal: 'com', word: 'common', of: 'circuit' },
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '47 kΩ ±5 %', min: 1 },
    hears: { dimension: 'voltage', typical: '1.2 V ±10 %', min: 0.01 },
    'empty-hertz': { dimension: 'frequency', typical: '26 kHz', min: 1 },
    falls: { dimension: 'frequency', typical: '5 kHz', min: 0.1 },
    'full-level': { dimension: 'length', typical: '400 mm', min: 1e-3 },
  },
  modes: [{ name: 'life', values: ['dead', 'alive'], initial: 1 }],
  /** The sensor whose wave stands at its terminals when the line is whole. */
  refs: { sensor: 'hertz' },
}
