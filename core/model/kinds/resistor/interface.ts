import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'resistor',
  title: 'resistor',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: { ohms: { dimension: 'resistance', min: 1e-6 } },
  modes: [{ name: 'body', values: ['open', 'whole'], initial: 1 }],
}
