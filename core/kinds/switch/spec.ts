import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'switch',
  title: 'switch',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: { ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', least: 1e-6 } },
  words: { held: ['closed', 'open'] },
  modes: [{ name: 'contact', values: ['open', 'closed'], initial: { word: 'held' } }],
  hand: { mode: 'contact', parted: 0 },
  jumperAllowed: true,
}
