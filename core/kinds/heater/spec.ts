import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'heater',
  title: 'heater',
  line: 'power',
  terminals: ['a', 'b'],
  ports: [],
  windings: ['ohms'],
  params: { ohms: { dimension: 'resistance', least: 0.1 } },
  mayRefer: { in: 'temperature' },
  modes: [{ name: 'element', values: ['open', 'whole'], initial: 1 }],
}
