import type { KindInterface } from '../contract'

/** A relay that stays as it was last told: one coil sets it, the other resets it. */
export const kindInterface: KindInterface = {
  id: 'latching-relay',
  title: 'latching relay',
  line: 'power',
  terminals: ['set', 'reset', 'back', 'com', 'no'],
  insulated: [
    ['set', 'reset', 'back'],
    ['com', 'no'],
  ],
  ports: [],
  windings: ['ohms'],
  params: {
    ohms: { description: 'of each of its coils', dimension: 'resistance', min: 1 },
    henries: { dimension: 'inductance', typical: '2 H ±20 %', min: 1e-6 },
    'pull-in': { dimension: 'voltage' },
    'contact-ohms': { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  modes: [
    { name: 'coils', values: ['open', 'whole'], initial: 1 },
    { name: 'latch', values: ['reset', 'set'], initial: 0 },
    { name: 'no', values: ['burnt', 'good'], initial: 1 },
  ],
}
