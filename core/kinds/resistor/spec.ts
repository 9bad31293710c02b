import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'resistor',
  title: 'resistor',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: { ohms: { dimension: 'resistance', least: 1e-6 } },
  modes: [{ name: 'body', values: ['open', 'whole'], initial: 1 }],
}
