import type { Machine } from '../../model/machine'

/** Two terminals of a part that current can pass between. */
export interface Branch {
  part: number
  a: string
  b: string
  from: number
  to: number
}

/**
 * All that can carry current in a machine, whatever its contacts stand at: one branch from the first terminal of each group that is
 * joined inside to every other. Terminals of a third contact that nothing is wired to, and places that no hand parts, are left out.
 */
export function branchesOf({ parts, kinds }: Machine): Branch[] {
  const used = new Map<number, number>()
  for (const { nodes } of parts)
    for (const node of new Set(Object.values(nodes))) used.set(node, (used.get(node) ?? 0) + 1)
  return parts.flatMap(({ index, nodes }) => {
    const { isPlace, insulated, terminals } = kinds[index]
    if (isPlace) return []
    return (insulated ?? [terminals]).flatMap((group) => {
      const [first, ...others] = group.filter((t) => t in nodes)
      const wired = others.length > 1 ? others.filter((t) => used.get(nodes[t])! > 1) : others
      return wired.map((b): Branch => ({ part: index, a: first, b, from: nodes[first], to: nodes[b] }))
    })
  })
}
