import type { Stretch } from '../water'

/**
 * A stretch that is described the trade's way, by what it passes at one bar.
 *
 * @param passes flow in m³/s at a drop of 1 bar, > 0
 */
export const plainStretch = (from: number, to: number, passes: number): Stretch => ({
  from,
  to,
  square: 1e5 / passes ** 2,
  linear: 1e5,
  rated: Infinity,
  beyond: 0,
  head: 0,
  oneWay: false,
})
