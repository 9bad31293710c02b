import type { KindInterface } from '../contract'

/** The room or chamber that steam is led into: it gets warm and damp by it, and loses both to the house. */
export const kindInterface: KindInterface = {
  id: 'steam-room',
  title: 'room',
  line: 'level',
  terminals: [],
  ports: [],
  isPlace: true,
  params: {
    loses: { description: 'watts for each kelvin above ambient', dimension: 'power', min: 1e-3 },
    follows: { description: 'time in which it warms and cools by itself', dimension: 'time', min: 1 },
    fills: { description: 'steam, as water, from dry air to fog', dimension: 'volume', min: 1e-6 },
    airs: { description: 'time in which it gets dry again', dimension: 'time', typical: '15 min ±20 %', min: 1 },
    dry: { description: 'humidity of the house', dimension: 'ratio', typical: '50 % ±20 %', min: 0, max: 1 },
  },
  refs: { from: 'steam' },
  modes: [{ name: 'door', values: ['open', 'shut'], initial: 1 }],
  states: [
    { name: 'above', tolerance: 0.02 },
    { name: 'damp', tolerance: 0.002 },
  ],
}
