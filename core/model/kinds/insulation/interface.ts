import type { KindInterface } from '../contract'

/** What keeps two conductors apart: a winding from its case, one field wire from the next. */
export const kindInterface: KindInterface = {
  id: 'insulation',
  title: 'insulation',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  isPlace: true,
  choices: { between: ['earth', 'wires'] },
  params: { ohms: { dimension: 'resistance', typical: '1000 MΩ ±60 %', min: 1e-6 } },
}
