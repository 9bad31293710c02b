import { solveWater, subnetworksOf } from '../../physics/water'
import type { Part } from '../../model/kinds'
import type { OperatingPoint } from '../simulate'
import { cached, zeroIndication, type Indication } from './indication'

/**
 * Pa at a port with nothing flowing beyond it, or m³/s out of it into a bucket; with all as it runs, Pa there (`flowing`) or m³/s through
 * it (`through`).
 */
export type WaterQuantity = 'pressure' | 'bucket' | 'flowing' | 'through'

/** What a gauge or a bucket shows at a water port. Kept with the network, by the pressures that bound it. */
export function waterIndication(point: OperatingPoint, part: Part, port: string, quantity: WaterQuantity): Indication {
  const node = part.ports[port]
  const { network } = point.waterSolution()
  const key = `${node}|${quantity}|${point.fixedPressures().join()}`
  return cached(point, network, key, () => measureWater(point, node, quantity))
}

function measureWater(point: OperatingPoint, node: number, quantity: WaterQuantity): Indication {
  const { machine, parts, standardDeviations } = point.faulted
  const { network } = point.waterSolution()
  const asItRuns = quantity === 'flowing' || quantity === 'through'
  // The joint behind the port is undone: what lies downstream of it is not there.
  const isThere = (s: { from: number }) => asItRuns || s.from !== node
  const upstream = network.links.filter(isThere)
  const boundary = (at: OperatingPoint): Float64Array => {
    const fixed = at.fixedPressures()
    if (quantity === 'bucket') fixed[node] = 0
    return fixed
  }
  const near = subnetworksOf(machine.waterNodeCount, upstream, boundary(point)).find((r) =>
    r.links.some((k) => upstream[k].to === node),
  )
  const zero = zeroIndication(point)
  if (!near) return zero
  const measure = (at: OperatingPoint): number => {
    const all = at.links().filter(isThere)
    const links = near.links.map((k) => all[k])
    const solved = solveWater(machine.waterNodeCount, links, boundary(at))
    if (quantity === 'pressure' || quantity === 'flowing') return solved.pressure[node]
    return links.reduce((q, s, k) => q + (s.to === node ? solved.flow[k] : 0), 0)
  }
  const value = measure(point)
  const owners = parts.filter((p) => {
    const k = network.of[p.index]
    return (
      (k >= 0 && near.links.some((i) => upstream[i] === network.links[k])) ||
      Object.values(p.ports).some((n) => near.boundaryNodes.includes(n))
    )
  })
  const values = point.values.slice()
  const scratch = point.withScratchValues(values)
  for (const part of owners)
    for (const param of Object.values(part.param)) {
      const sd = standardDeviations[param]
      if (sd === 0) continue
      values[param] += sd
      zero.sensitivity[param] = measure(scratch) - value
      values[param] -= sd
    }
  return { type: 'value', value: Math.max(0, value), sensitivity: zero.sensitivity }
}
