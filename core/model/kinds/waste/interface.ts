import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'waste',
  title: 'waste',
  line: 'water',
  terminals: [],
  ports: ['in', 'air'],
  openPorts: ['air'],
  params: {
    passes: { dimension: 'flow', typical: '60 L/min ±15 %', min: 1e-9 },
    height: {
      description: 'of the highest point of the hose above the bottom of the vessel it drains',
      dimension: 'length',
      typical: '0 mm',
    },
    end: {
      description: 'of its end, which counts once the hose runs as a siphon',
      dimension: 'length',
      typical: '0 mm',
    },
    'siphons-at': {
      description: 'A siphon starts at this flow and breaks below a tenth of it',
      dimension: 'flow',
      typical: '4 L/min ±30 %',
      min: 1e-9,
    },
    clear: { dimension: 'ratio', typical: '100 %', min: 1e-6, max: 1 },
  },
  /** A hose hung over an edge may siphon, hang too low or be pushed too deep; an open end does none of that. */
  choices: { ends: ['hose', 'open'] },
  modes: [
    { name: 'mouth', values: ['sealed', 'airy'], initial: 1 },
    { name: 'siphon', values: ['broken', 'runs'], initial: 0 },
  ],
}
