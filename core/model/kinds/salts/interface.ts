import type { KindInterface } from '../contract'

/** What is dissolved in the water of a vessel: it comes with the supply, leaves with the drain, and stays behind when water boils away. */
export const kindInterface: KindInterface = {
  id: 'salts',
  title: 'salts of the water',
  line: 'level',
  terminals: [],
  ports: [],
  isPlace: true,
  params: {},
  refs: { of: 'over', water: 'conductivity' },
  /** What comes in at the top of the vessel, where that is other water. */
  optionalRefs: { 'top-water': 'conductivity' },
  // Volume times conductivity, of what came in less what left: what mixes adds up.
  states: [{ name: 'held', tolerance: 1e-7 }],
}
