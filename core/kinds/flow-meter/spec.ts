import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'flow-meter',
  title: 'flow meter',
  line: 'level',
  terminals: ['out', 'com'],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '40 L/min ±15 %', least: 1e-9 },
    counts: { about: 'what it counts of the water that passes', dimension: 'ratio', typical: '100 % ±4 %', least: 0 },
    ohms: { dimension: 'resistance', typical: '2.2 kΩ ±5 %', least: 1 },
    swing: { dimension: 'voltage', typical: '2.5 V ±5 %', least: 0.01 },
  },
  states: [{ name: 'counted', within: 1e-7 }],
  modes: [{ name: 'wheel', values: ['jammed', 'free'], initial: 1 }],
}
