import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'air-tube',
  title: 'air tube',
  line: 'level',
  terminals: [],
  ports: [],
  params: { passes: { dimension: 'ratio', typical: '100 %', min: 0, max: 1 } },
  refs: { of: 'pressure' },
  modes: [{ name: 'way', values: ['shut', 'free'], initial: 1 }],
  forcible: ['way'],
}
