import type { PointView } from '../../model/kinds'
import type { FaultedMachine } from '../../model/machine'
import type { Influence, Roles, SimulationCache } from './cache'
import { influenceOf } from './influence'
import { rolesOf } from './roles'

/** What both sides of an operating point go by. */
export interface PointContext {
  readonly faulted: FaultedMachine
  /** What stamps, links and rates look at: the operating point itself. */
  readonly view: PointView
  readonly cache: SimulationCache
  readonly roles: Roles
  readonly influence: Influence
}

/** Made once for an operating point: what is in it was found for its machine before, but for the first time. */
export const contextOf = (faulted: FaultedMachine, view: PointView, cache: SimulationCache): PointContext => ({
  faulted,
  view,
  cache,
  roles: rolesOf(faulted, cache),
  influence: influenceOf(faulted.machine, cache),
})
