import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'evaporator',
  title: 'evaporator',
  line: 'level',
  terminals: [],
  ports: [],
  params: {
    cold: {
      about: 'where it settles without water on it while the compressor runs, and with hot gas in it',
      dimension: 'temperature',
      typical: '-14 °C ±1 °C',
    },
    hot: { dimension: 'temperature', typical: '30 °C ±3 °C' },
    settles: { dimension: 'time', typical: '90 s ±15 %', least: 1 },
    freezes: {
      about: 'water that freezes on it for each minute at its coldest',
      dimension: 'flow',
      typical: '0.12 L/min ±8 %',
      least: 1e-9,
    },
    'lets-go': { dimension: 'temperature', typical: '6 °C ±1 °C' },
  },
  words: { style: ['batch', 'flake'] },
  refs: { compressor: 'runs', feed: 'runs', of: 'volume' },
  /** Flake ice has no hot gas. */
  mayRefer: { gas: 'open' },
  states: [
    { name: 'above', within: 0.02 },
    { name: 'ice', within: 1e-7 },
    { name: 'made', within: 1e-7 },
  ],
  modes: [
    { name: 'letting-go', values: ['no', 'yes'], initial: 0 },
    { name: 'charge', values: ['lost', 'full'], initial: 1 },
  ],
}
