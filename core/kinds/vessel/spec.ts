import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'vessel',
  title: 'vessel',
  line: 'level',
  terminals: [],
  ports: ['top', 'bottom'],
  params: {
    area: { dimension: 'area', least: 1e-6 },
    height: { dimension: 'length', least: 1e-3 },
    /** Watts for each kelvin above ambient. */
    loses: { dimension: 'power', typical: '0 W', least: 0 },
    start: { dimension: 'volume', typical: '0 L', least: 0 },
  },
  // Warmth is volume times temperature: what mixes adds up.
  states: [
    { name: 'volume', startsAt: 'start', within: 1e-7 },
    { name: 'spilled', within: 1e-7 },
    { name: 'warmth', within: 1e-5 },
  ],
  modes: [{ name: 'brim', values: ['below', 'over'], initial: 0 }],
}
