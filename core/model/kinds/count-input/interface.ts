import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'count-input',
  title: 'counting input of the control',
  line: 'level',
  terminals: ['in', 'com'],
  returns: { terminal: 'com', word: 'common', of: 'circuit' },
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '47 kΩ ±5 %', min: 1 },
    hears: { dimension: 'voltage', typical: '1.2 V ±10 %', min: 0.01 },
  },
  /** The meter whose pulses reach it when the line is whole. */
  refs: { meter: 'counted' },
  modes: [{ name: 'life', values: ['dead', 'alive'], initial: 1 }],
}
