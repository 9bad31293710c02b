import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'air-tube',
  title: 'air tube',
  line: 'level',
  terminals: [],
  ports: [],
  params: { passes: { dimension: 'ratio', typical: '100 %', least: 0, most: 1 } },
  refs: { of: 'pressure' },
  modes: [{ name: 'way', values: ['shut', 'free'], initial: 1 }],
  forced: ['way'],
}
