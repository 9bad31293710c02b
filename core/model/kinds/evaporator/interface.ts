import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'evaporator',
  title: 'evaporator',
  line: 'level',
  terminals: [],
  ports: [],
  params: {
    cold: {
      description: 'where it settles without water on it while the compressor runs, and with hot gas in it',
      dimension: 'temperature',
      typical: '-14 °C ±1 °C',
    },
    hot: { dimension: 'temperature', typical: '30 °C ±3 °C' },
    settles: { dimension: 'time', typical: '90 s ±15 %', min: 1 },
    freezes: {
      description: 'water that freezes on it for each minute at its coldest',
      dimension: 'flow',
      typical: '0.12 L/min ±8 %',
      min: 1e-9,
    },
    'lets-go': { dimension: 'temperature', typical: '6 °C ±1 °C' },
  },
  choices: { style: ['batch', 'flake'] },
  refs: { compressor: 'runs', feed: 'runs', of: 'volume' },
  /** Flake ice has no hot gas. */
  optionalRefs: { gas: 'open', condenser: 'cooling' },
  states: [
    { name: 'above', tolerance: 0.02 },
    { name: 'ice', tolerance: 1e-7 },
    { name: 'made', tolerance: 1e-7 },
  ],
  modes: [
    { name: 'letting-go', values: ['no', 'yes'], initial: 0 },
    { name: 'charge', values: ['lost', 'full'], initial: 1 },
  ],
}
