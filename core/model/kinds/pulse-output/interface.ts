import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'pulse-output',
  title: 'pulse output of the control',
  line: 'power',
  terminals: ['a', 'b'],
  ports: [],
  params: {
    volts: { dimension: 'voltage', typical: '9 V ±8 %', min: 0.1 },
    ohms: { dimension: 'resistance', typical: '1.5 Ω ±30 %', min: 1e-6 },
    lasts: { dimension: 'time', typical: '60 ms ±10 %', min: 1e-3 },
    idle: {
      description: 'what a meter that holds the peak still sees between pulses: nothing',
      dimension: 'resistance',
      typical: '100 kΩ ±20 %',
      min: 1,
    },
  },
  // A stored charge is let into the coil one way round to open, the other way round to shut.
  modes: [
    { name: 'called', values: ['off', 'on'], initial: 0 },
    { name: 'sent', values: ['off', 'on'], initial: 0 },
    { name: 'pulse', values: ['none', 'shuts', 'opens'], initial: 0 },
  ],
  command: 'called',
}
