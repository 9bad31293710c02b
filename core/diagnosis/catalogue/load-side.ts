import { DisjointSets } from '../../foundation/disjoint-sets'
import type { Part } from '../../model/kinds'
import type { OperatingPoint } from '../../simulation/simulate'

/** Resistances up to this are wire, contact or fuse, Ω: what is more is a load. */
const LINK_OHMS = 3

/**
 * The terminal of a contact at which a reading to the return says something: the one towards the load. A contact in the feed
 * shows there whether it lets through; one between the load and the return, whether it takes back.
 *
 * @param terminal usual one
 * @param back node of the return
 * @param point the healthy machine while the contact is in use
 */
export function loadSide(part: Part, terminal: string, back: number, point: OperatingPoint): string {
  const { parts, machine } = point.faulted
  const links = new DisjointSets(machine.nodeCount)
  for (const other of parts)
    if (other.index !== part.index && !machine.kinds[other.index].returns)
      for (const c of point.componentsOf(other)) if (c.type === 'R' && c.ohms <= LINK_OHMS) links.join(c.a, c.b)
  const sets = links.representatives()
  const reaches = (name: string) => sets[part.nodes[name]] === sets[back]
  const other = Object.keys(part.nodes).find((name) => name !== terminal)
  return other !== undefined && reaches(terminal) && !reaches(other) ? other : terminal
}
