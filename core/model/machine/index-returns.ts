import { DisjointSets } from '../../foundation/disjoint-sets'
import type { Kind, Part } from '../kinds'

/** The terminal that the loads of a circuit come back to. */
export interface CircuitReturn {
  part: number
  terminal: string
}

/** Terminals of a kind that can ever be joined inside it, as groups. */
const groupsOf = ({ terminals, insulated }: Kind): readonly (readonly string[])[] => insulated ?? [terminals]

/**
 * The return of each node: that of the supply, or the common of the winding, rectifier or control input, whose circuit the node
 * belongs to. Circuits are what hangs together whatever the contacts in it stand at; where several sources meet in one, the
 * supply of the machine counts, else the first.
 *
 * @param nodeCount electrical nodes
 * @returns by node; `undefined` where nothing feeds it
 */
export function indexReturns(
  parts: readonly Part[],
  kinds: readonly Kind[],
  nodeCount: number,
): readonly (CircuitReturn | undefined)[] {
  const circuits = new DisjointSets(nodeCount)
  for (const { index, nodes } of parts)
    for (const [first, ...others] of groupsOf(kinds[index]))
      for (const other of others) circuits.join(nodes[first], nodes[other])
  const circuit = circuits.representatives()
  const found = new Map<number, CircuitReturn>()
  const sources = parts.filter((p) => kinds[p.index].returns)
  const supplies = sources.filter((p) => kinds[p.index].returns!.of === 'supply')
  for (const { index, nodes } of [...supplies, ...sources]) {
    const { terminal } = kinds[index].returns!
    const own = circuit[nodes[terminal]]
    if (!found.has(own)) found.set(own, { part: index, terminal })
  }
  return Array.from(circuit, (own) => found.get(own))
}
