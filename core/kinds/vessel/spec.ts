import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'vessel',
  title: 'vessel',
  line: 'level',
  terminals: [],
  ports: ['top', 'bottom'],
  params: {
    area: { about: 'mean of its height', dimension: 'area', least: 1e-6 },
    height: { dimension: 'length', least: 1e-3 },
    'sump-height': {
      about: 'A sump at its bottom: of another area up to this height',
      dimension: 'length',
      typical: '0 mm',
      least: 0,
    },
    'sump-area': { dimension: 'area', typical: '1 cm²', least: 1e-6 },
    loses: { about: 'watts for each kelvin above ambient', dimension: 'power', typical: '0 W', least: 0 },
    metal: {
      about: 'its own heat, as water that would hold as much: what is left to get hot when it is empty',
      dimension: 'volume',
      typical: '0.02 L',
      least: 1e-6,
    },
    start: { dimension: 'volume', typical: '0 L', least: 0 },
  },
  // Warmth is volume times kelvin above the surroundings: what mixes adds up.
  states: [
    { name: 'volume', startsAt: 'start', within: 1e-7 },
    { name: 'spilled', within: 1e-7 },
    { name: 'warmth', within: 1e-6 },
  ],
  /** Standing with straight sides, or a cylinder that lies. */
  words: { shape: ['straight', 'lying'] },
  modes: [
    { name: 'brim', values: ['below', 'over'], initial: 0 },
    { name: 'boils', values: ['no', 'yes'], initial: 0 },
  ],
}
