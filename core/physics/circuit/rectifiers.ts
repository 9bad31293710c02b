import { WAVES, type Component } from './components'
import { portBetween } from './port'
import { voltsBetween } from './quantities'
import { solveCircuit, updateSources, type Solution } from './solve'

/**
 * Solves a network with rectifiers in it: first what the DC side loads each of them with, then the AC network so
 * loaded, then the DC network fed by the mean of what stands on the AC side. Fills in `load` and `volts` of every
 * rectifier (mutates the components).
 *
 * Exact for rectifiers that do not feed each other on the DC side; those that do share one island are taken as if
 * each carried the island's load alone.
 */
export function coupleRectifiers(
  nodes: number,
  components: readonly Component[],
  omega: number,
): { ac: Solution; dc: Solution } {
  const rectifiers = components.filter((c) => c.type === 'RECT')
  const dc = solveCircuit(nodes, components, 'dc', 0)
  for (const r of rectifiers) {
    // The port sees the rectifier's own resistance beside the load.
    const z = portBetween(dc, r.c, r.d).zRe
    const outside = 1 / z - 1 / r.ohms
    r.load = outside > 1e-12 ? WAVES[r.wave].loadRatio * (r.ohms + 1 / outside) : Infinity
  }
  const ac = solveCircuit(nodes, components, 'ac', omega)
  for (const r of rectifiers) r.volts = WAVES[r.wave].mean * voltsBetween(ac, r.a, r.b)
  updateSources(dc, components)
  return { ac, dc }
}
