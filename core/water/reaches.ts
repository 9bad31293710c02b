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
  const parent = Int32Array.from({ length: nodes }, (_, i) => i)
  const find = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]]
    return i
  }
  const free = (node: number) => Number.isNaN(fixed[node])
  for (const s of stretches) if (free(s.from) && free(s.to)) parent[find(s.from)] = find(s.to)
  const byRoot = new Map<string, Reach>()
  stretches.forEach((s, k) => {
    const root = free(s.from) ? `${find(s.from)}` : free(s.to) ? `${find(s.to)}` : `stretch ${k}`
    let reach = byRoot.get(root)
    if (!reach) byRoot.set(root, (reach = { stretches: [], heads: [] }))
    reach.stretches.push(k)
    for (const node of [s.from, s.to]) if (!free(node) && !reach.heads.includes(node)) reach.heads.push(node)
  })
  return [...byRoot.values()]
}
