import { PLAIN_LINK, type WaterLink } from '../../physics/water'

/**
 * A link by its kv, the flow at a loss of 1 bar.
 *
 * @param kv flow in m³/s at a drop of 1 bar, > 0
 */
export const linkOfKv = (from: number, to: number, kv: number): WaterLink => ({
  ...PLAIN_LINK,
  from,
  to,
  quadratic: 1e5 / kv ** 2,
  linear: 1e5,
})
