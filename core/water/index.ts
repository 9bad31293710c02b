export { reachesOf, type Reach } from './reaches'
export { solveWater, type Stretch, type WaterSolution } from './solve'

/** Pascals per metre of water column, 20 °C. */
export const PASCALS_PER_METRE = 9810
export { chainOf, solveChain, type Chain } from './chain'
