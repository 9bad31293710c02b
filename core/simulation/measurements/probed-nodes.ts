import type { Machine } from '../../model/machine'

/** Where two probes go: a terminal of a part, and another of its own or `@return`, the return of its circuit. */
interface Probed {
  part: number
  a: string
  b: string
}

/** The two nodes of a reading. @param parts as they are wired now; a fault may have swapped plugs, the common stays what it is */
export function probedNodes(m: Probed, machine: Machine, parts = machine.parts): [number, number] {
  const { nodes } = parts[m.part]
  const a = nodes[m.a]
  if (m.b !== '@return') return [a, nodes[m.b]]
  const { part, terminal } = machine.returnAt[machine.parts[m.part].nodes[m.a]]!
  return [a, parts[part].nodes[terminal]]
}

/** Whether there is a return to put a probe on. */
export const hasReturn = (m: Probed, { parts, returnAt }: Machine): boolean =>
  m.b !== '@return' || returnAt[parts[m.part].nodes[m.a]] !== undefined
