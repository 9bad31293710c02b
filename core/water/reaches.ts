import { DisjointSets } from '../foundation/disjoint-sets'
import type { Stretch } from './solve'

/** A part of the network whose flows depend on no other part: it is bounded by fixed heads. */
export interface Reach {
  /** Indices into the stretches of the whole network. */
  stretches: number[]
  /** Nodes of fixed pressure that it touches. */
  heads: number[]
}

/**
 * Cuts a network at its nodes of fixed pressure.
 *
 * @param fixed pressure per node, NaN where unknown
 */
export function reachesOf(nodes: number, stretches: readonly Stretch[], fixed: Float64Array): Reach[] {
  const sets = new DisjointSets(nodes)
  const free = (node: number) => Number.isNaN(fixed[node])
  for (const s of stretches) if (free(s.from) && free(s.to)) sets.join(s.from, s.to)
  const byRoot = new Map<string, Reach>()
  stretches.forEach((s, k) => {
    const root = free(s.from) ? `${sets.find(s.from)}` : free(s.to) ? `${sets.find(s.to)}` : `stretch ${k}`
    let reach = byRoot.get(root)
    if (!reach) byRoot.set(root, (reach = { stretches: [], heads: [] }))
    reach.stretches.push(k)
    for (const node of [s.from, s.to]) if (!free(node) && !reach.heads.includes(node)) reach.heads.push(node)
  })
  return [...byRoot.values()]
}
