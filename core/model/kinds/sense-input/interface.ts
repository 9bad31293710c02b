import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'sense-input',
  title: 'control input',
  line: 'level',
  terminals: ['in', 'com'],
  returns: { terminal: 'com', word: 'common', of: 'circuit' },
  ports: [],
  params: {
    volts: { dimension: 'voltage', typical: '5 V ±4 %', min: 0.1 },
    ohms: { dimension: 'resistance', typical: '47 kΩ ±10 %', min: 1 },
  },
  /** Whether a lamp shows that it sees its terminals joined, and whether a lead may join them for a test. */
  choices: { shows: ['nothing', 'lamp'], lead: ['never', 'allowed'] },
  modes: [
    { name: 'life', values: ['dead', 'alive'], initial: 1 },
    { name: 'bridge', values: ['off', 'on'], initial: 0 },
  ],
  forcible: ['bridge'],
  jumperAllowed: { choice: 'lead', is: 'allowed' },
}
