import type { Machine } from './types'

/**
 * Continuous states as a machine is found before anything runs, SI: a fault may start a vessel emptier than it should be.
 *
 * @param values of its parameters, SI
 */
export const startingStates = ({ stateStarts }: Machine, values: Float64Array): Float64Array =>
  Float64Array.from(stateStarts, (at) => (at < 0 ? 0 : values[at]))
