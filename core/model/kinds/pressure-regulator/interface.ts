import type { KindInterface } from '../contract'

/** A spring against a diaphragm: it throttles so that no more than its set pressure stands behind it, whatever comes. */
export const kindInterface: KindInterface = {
  id: 'pressure-regulator',
  title: 'pressure regulator',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    passes: { dimension: 'flow', typical: '30 L/min ±15 %', min: 1e-9 },
    sets: { description: 'pressure behind it while nothing flows', dimension: 'pressure', min: 1e3 },
    falls: {
      description: 'how far the pressure behind it falls at the flow that it passes wide open at 1 bar',
      dimension: 'pressure',
      typical: '0.6 bar ±30 %',
      min: 1e3,
    },
    clear: { dimension: 'ratio', typical: '100 %', min: 1e-6, max: 1 },
  },
  modes: [{ name: 'seat', values: ['open', 'works'], initial: 1 }],
}
