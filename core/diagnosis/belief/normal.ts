/**
 * Density of a normal distribution at x, per unit of x.
 *
 * @param variance above 0
 */
export const normalDensity = (x: number, mean: number, variance: number): number =>
  Math.exp((-(x - mean) * (x - mean)) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance)

/** Below this a likelihood counts as impossible. */
export const LEAST_LIKELIHOOD = 1e-300
