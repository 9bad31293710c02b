import type { Kind } from '../../model/kinds'
import type { FaultedMachine } from '../../model/machine'
import type { Roles, SimulationCache } from './cache'

/** The parts of a faulted machine by what their kinds do. */
export function rolesOf({ parts, machine }: FaultedMachine, cache: SimulationCache): Roles {
  const known = cache.roles.get(parts)
  if (known) return known
  const whose = (does: (kind: Kind) => unknown) => parts.filter((p) => does(machine.kinds[p.index]))
  const roles = {
    stamped: whose((k) => k.stamp),
    followers: whose((k) => k.stampDependsOnState),
    resistive: whose((k) => k.stampDependsOnState === 'resistance'),
    fixedPressures: whose((k) => k.fixedPressures),
    links: whose((k) => k.links),
    rates: whose((k) => k.rates),
    temperatures: whose((k) => k.temperatures),
  }
  cache.roles.set(parts, roles)
  return roles
}
