import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'rectifier',
  title: 'rectifier',
  line: 'power',
  terminals: ['ac1', 'ac2', 'plus', 'minus'],
  ports: [],
  params: { ohms: { dimension: 'resistance', typical: '0.5 Ω ±50 %', least: 1e-6 } },
  words: { wave: ['full', 'half'] },
  modes: [{ name: 'diodes', values: ['dead', 'halved', 'whole'], initial: 2 }],
}
