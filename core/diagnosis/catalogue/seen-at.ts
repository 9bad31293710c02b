import type { Part } from '../../model/kinds'
import type { Machine } from '../../model/machine'

/** Signal of a part that can be seen to take water. */
const TAKES_WATER = 'filling'

/**
 * Where the water that a part lets through is seen: at the vessel that it runs into, or at the part itself where there is none.
 *
 * @param part with water ports, the first of them its inlet
 */
export function seenAt({ parts, kinds }: Machine, part: Part): Part {
  const [, ...ends] = Object.values(part.ports)
  const reached = new Set(ends)
  const passed = new Set([part])
  for (const node of reached)
    for (const next of parts) {
      const nodes = Object.values(next.ports)
      if (passed.has(next) || !nodes.includes(node)) continue
      if (kinds[next.index].signals?.[TAKES_WATER]) return next
      passed.add(next)
      for (const n of nodes) reached.add(n)
    }
  return part
}
