import { DisjointSets } from '../../foundation/disjoint-sets'
import type { WaterLink } from './solve'

/** A part of the network whose flows depend on no other part: it is bounded by fixed pressures. */
export interface Subnetwork {
  /** Indices into the links of the whole network. */
  links: number[]
  /** Nodes of fixed pressure that it touches. */
  boundaryNodes: number[]
}

/**
 * Cuts a network at its nodes of fixed pressure.
 *
 * @param fixed pressure per node, NaN where unknown
 */
export function subnetworksOf(nodes: number, links: readonly WaterLink[], fixed: Float64Array): Subnetwork[] {
  const sets = new DisjointSets(nodes)
  const free = (node: number) => Number.isNaN(fixed[node])
  for (const s of links) if (free(s.from) && free(s.to)) sets.join(s.from, s.to)
  const byRoot = new Map<string, Subnetwork>()
  links.forEach((s, k) => {
    const root = free(s.from) ? `${sets.find(s.from)}` : free(s.to) ? `${sets.find(s.to)}` : `link ${k}`
    let subnetwork = byRoot.get(root)
    if (!subnetwork) byRoot.set(root, (subnetwork = { links: [], boundaryNodes: [] }))
    subnetwork.links.push(k)
    for (const node of [s.from, s.to])
      if (!free(node) && !subnetwork.boundaryNodes.includes(node)) subnetwork.boundaryNodes.push(node)
  })
  return [...byRoot.values()]
}
