import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'lamp',
  title: 'lamp',
  line: 'level',
  terminals: ['a', 'b'],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '40 kΩ ±20 %', min: 1 },
    lights: { dimension: 'voltage' },
  },
  modes: [{ name: 'filament', values: ['open', 'whole'], initial: 1 }],
}
