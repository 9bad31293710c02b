import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'hose',
  title: 'supply hose',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '45 L/min ±15 %', min: 1e-9 },
    clear: { dimension: 'ratio', typical: '100 %', min: 1e-6, max: 1 },
    rises: { description: 'how much higher its outlet lies than its inlet', dimension: 'length', typical: '0 mm' },
  },
  /** What the part is that water passes through: its words follow. */
  choices: { is: ['hose', 'filter', 'pipe'] },
}
