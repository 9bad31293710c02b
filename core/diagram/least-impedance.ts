import { shortestPath } from '../foundation/shortest-path'
import { admittanceOf, newAdmittance } from '../physics/circuit'
import type { OperatingPoint } from '../simulation/simulate'

/** A conducting edge between two nodes of the circuit. */
export interface Edge {
  part: number
  a: number
  b: number
  ohms: number
}

/** Conducting edges of a moment, by part, with the magnitude of their impedance in Ω at a frequency in Hz. */
export function edgesOf(point: OperatingPoint, hertz: number): Edge[] {
  const y = newAdmittance()
  return point.faulted.parts.flatMap((p) =>
    point.componentsOf(p).flatMap((c): Edge[] => {
      const { re, im } = admittanceOf(c, 'ac', 2 * Math.PI * hertz, y)
      const ohms = 1 / Math.max(Math.hypot(re, im), 1e-12)
      if (c.type !== 'T' && c.type !== 'RECT') return [{ part: p.index, a: c.a, b: c.b, ohms }]
      // A transformer or rectifier is passed from its far side to its near side, live to live and return to return.
      return [
        { part: p.index, a: c.a, b: c.c, ohms: 1 },
        { part: p.index, a: c.b, b: c.d, ohms: 1 },
      ]
    }),
  )
}

/** Parts on the path of least impedance (Ω) between two nodes without the parts left out; `undefined` where none leads there. */
export function leastImpedance(
  edges: readonly Edge[],
  from: number,
  to: number,
  without: ReadonlySet<number>,
): { parts: number[]; ohms: number } | undefined {
  const found = shortestPath(
    from,
    (node) => node === to,
    (node) =>
      edges.flatMap(({ part, a, b, ohms }) =>
        without.has(part) || (a !== node && b !== node) ? [] : [{ to: a === node ? b : a, cost: ohms, label: part }],
      ),
    (node) => node,
  )
  return found && { parts: [...new Set(found.labels)], ohms: found.cost }
}
