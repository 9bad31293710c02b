import type { KindInterface } from '../contract'

/** A pipe that stands up in a vessel, or leaves it at some height: what rises above its mouth leaves through it. */
export const kindInterface: KindInterface = {
  id: 'overflow-pipe',
  title: 'overflow pipe',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    at: { description: 'its mouth above the bottom of the vessel', dimension: 'length', min: 0 },
    passes: { dimension: 'flow', typical: '60 L/min ±15 %', min: 1e-9 },
    clear: { dimension: 'ratio', typical: '100 %', min: 1e-6, max: 1 },
  },
  modes: [{ name: 'pipe', values: ['off', 'in'], initial: 1 }],
}
