import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'flow-meter',
  title: 'flow meter',
  line: 'level',
  terminals: ['out', 'com'],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '40 L/min ±15 %', min: 1e-9 },
    counts: {
      description: 'what it counts of the water that passes',
      dimension: 'ratio',
      typical: '100 % ±4 %',
      min: 0,
    },
    ohms: { dimension: 'resistance', typical: '2.2 kΩ ±5 %', min: 1 },
    swing: { dimension: 'voltage', typical: '2.5 V ±5 %', min: 0.01 },
  },
  states: [{ name: 'counted', tolerance: 1e-7 }],
  modes: [{ name: 'wheel', values: ['jammed', 'free'], initial: 1 }],
}
