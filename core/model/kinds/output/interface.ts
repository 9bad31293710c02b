import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'output',
  title: 'control output',
  line: 'power',
  terminals: ['com', 'out'],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
    'snubber-farads': { dimension: 'capacitance', typical: '10 nF ±20 %', min: 1e-12 },
    'snubber-ohms': { dimension: 'resistance', typical: '100 Ω ±10 %', min: 1e-6 },
  },
  choices: { snubber: ['none', 'fitted'] },
  modes: [
    { name: 'called', values: ['off', 'on'], initial: 0 },
    { name: 'contact', values: ['open', 'closed'], initial: 0 },
  ],
  command: 'called',
  interrupts: { mode: 'contact', value: 0 },
  // Its load is fed so without the control: that the rest works.
  jumperAllowed: true,
  leadLifts: true,
}
