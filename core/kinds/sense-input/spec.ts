import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'sense-input',
  title: 'control input',
  line: 'level',
  terminals: ['in', 'com'],
  ports: [],
  params: {
    volts: { dimension: 'voltage', typical: '5 V ±4 %', least: 0.1 },
    ohms: { dimension: 'resistance', typical: '47 kΩ ±10 %', least: 1 },
  },
  modes: [{ name: 'life', values: ['dead', 'alive'], initial: 1 }],
}
