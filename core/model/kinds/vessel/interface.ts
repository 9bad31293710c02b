import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'vessel',
  title: 'vessel',
  line: 'level',
  rated: 'tank',
  terminals: [],
  ports: ['top', 'bottom'],
  params: {
    area: { description: 'mean of its height', dimension: 'area', min: 1e-6 },
    height: { dimension: 'length', min: 1e-3 },
    'sump-height': {
      description: 'A sump at its bottom: of another area up to this height',
      dimension: 'length',
      typical: '0 mm',
      min: 0,
    },
    'sump-area': { dimension: 'area', typical: '1 cm²', min: 1e-6 },
    loses: { description: 'watts for each kelvin above ambient', dimension: 'power', typical: '0 W', min: 0 },
    metal: {
      description: 'its own heat, as water that would hold as much: what is left to get hot when it is empty',
      dimension: 'volume',
      typical: '0.02 L',
      min: 1e-6,
    },
    start: { dimension: 'volume', typical: '0 L', min: 0 },
    'seen-from': {
      description: 'what stands lower is not seen by looking in: a sump, the bottom of a tub below its drum',
      dimension: 'length',
      typical: '25 mm',
      min: 0,
    },
  },
  // Warmth is volume times kelvin above the surroundings: what mixes adds up.
  states: [
    { name: 'volume', initialParam: 'start', tolerance: 1e-7 },
    { name: 'spilled', tolerance: 1e-7 },
    { name: 'warmth', tolerance: 1e-6 },
  ],
  /**
   * Standing with straight sides, or a cylinder that lies; for water, only for what leaks, or for ice; under a closed lid steam
   * leaves by its steam pipes and relief valves alone.
   */
  choices: { shape: ['straight', 'lying'], holds: ['water', 'leaks', 'ice'], lid: ['open', 'closed'] },
  /** Where what runs over its edge goes; to the floor when left out. */
  optionalRefs: { 'spills-into': 'volume' },
  modes: [
    { name: 'brim', values: ['below', 'over'], initial: 0 },
    { name: 'boils', values: ['no', 'yes'], initial: 0 },
  ],
}
