import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'heater',
  title: 'heater',
  line: 'power',
  terminals: ['a', 'b'],
  endangers: 'heat',
  ports: [],
  windings: ['ohms'],
  rated: 'heater',
  params: { ohms: { dimension: 'resistance', min: 0.1 } },
  optionalRefs: { in: 'temperature' },
  modes: [{ name: 'element', values: ['open', 'whole'], initial: 1 }],
}
