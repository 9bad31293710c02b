import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'rectifier',
  title: 'rectifier',
  line: 'power',
  terminals: ['ac1', 'ac2', 'plus', 'minus'],
  insulated: [
    ['ac1', 'ac2'],
    ['plus', 'minus'],
  ],
  returns: { terminal: 'minus', word: 'minus', of: 'circuit' },
  ports: [],
  params: { ohms: { dimension: 'resistance', typical: '0.5 Ω ±50 %', min: 1e-6 } },
  choices: { wave: ['full', 'half'] },
  modes: [{ name: 'diodes', values: ['dead', 'halved', 'whole'], initial: 2 }],
}
