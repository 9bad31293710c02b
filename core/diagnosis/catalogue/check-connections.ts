import { problem, type Problem } from '../../foundation/issues'
import { DisjointSets } from '../../foundation/disjoint-sets'
import type { Part } from '../../model/kinds'
import type { Machine } from '../../model/machine'

/** What is below this is as good as a wire, Ω. */
const SHORT_BELOW = 1

/** A piece of a part that may carry current: its terminals that are wired to something, as nodes of the circuit. */
interface Piece {
  part: Part
  nodes: number[]
}

/**
 * What is wrong with how the parts are joined, told before anything is run: parts in no chain, supplies joined to themselves,
 * parts with both ends at one point, and parts through which no current can ever run.
 *
 * @returns problems at the parts; those that follow from an earlier sort are not told as well
 */
export function checkConnections(machine: Machine): Problem[] {
  const joined = joinedEnds(machine)
  const sorts = [unjoinedParts, deadShorts, shortedParts, withoutWayBack]
  for (const sort of sorts) {
    const problems = sort(machine, joined)
    if (problems.length) return problems
  }
  return []
}

/** Ends of parts, `PART.END`, that some chain names. */
const joinedEnds = ({ sheet }: Machine): ReadonlySet<string> =>
  new Set(
    [...sheet.wiring, ...sheet.water].flatMap(({ joints }) => joints.flat().map((r) => `${r.part}.${r.terminal}`)),
  )

function unjoinedParts({ parts, kinds, sheet }: Machine, joined: ReadonlySet<string>): Problem[] {
  const named = new Set(parts.flatMap((p) => Object.values(p.ref)))
  return parts.flatMap((part): Problem[] => {
    const { terminals, ports, conductors = {} } = kinds[part.index]
    const none = (ends: readonly string[]) => ends.length > 0 && !ends.some((e) => joined.has(`${part.id}.${e}`))
    const at = ['parts', part.id]
    // A sub-assembly leaves ends for the sheet that brings it in.
    if (sheet.assembly) return []
    // An ice bin is in no chain: a thermostat feels it.
    const dry = none(ports) && !named.has(part.index)
    const lacking = [...(none(terminals) ? ['wiring'] : []), ...(dry ? ['water'] : [])]
    if (lacking.length)
      return lacking.map((medium) =>
        problem('in-no-chain', at, {
          found: `${part.id} is in no chain of ${medium}`,
          expected: `a chain under ${medium} that names ${part.id}`,
        }),
      )
    const missing = Object.entries(conductors).filter(([t, word]) => word !== 'earth' && !joined.has(`${part.id}.${t}`))
    return missing.map(([terminal, word]) =>
      problem('no-way-back', at, {
        found: `${part.id}.${terminal}, the ${word} of the supply, is in no chain`,
        expected: `a chain that ends at ${part.id}.${terminal}`,
      }),
    )
  })
}

/** Whatever is as good as a wire: joins of next to no resistance that nothing opens by itself. */
const asGoodAsWire = ({ parts, kinds, values, nodeCount }: Machine): DisjointSets => {
  const sets = new DisjointSets(nodeCount)
  for (const part of parts) {
    const { terminals, interrupts, insulated, params, jumperAllowed, modes = [] } = kinds[part.index]
    const still = !interrupts && !jumperAllowed && !modes.some((m) => m.name === 'contact' || m.name === 'snap')
    if (!still || !('ohms' in params) || values[part.param.ohms] >= SHORT_BELOW) continue
    if (kinds[part.index].returns) continue
    const groups = insulated ?? (terminals.length === 2 ? [terminals] : [])
    for (const [a, b] of groups) sets.join(part.nodes[a], part.nodes[b])
  }
  return sets
}

function deadShorts(machine: Machine): Problem[] {
  const sets = asGoodAsWire(machine)
  return machine.parts.flatMap((part) => {
    const { conductors, returns } = machine.kinds[part.index]
    if (!returns || !conductors) return []
    const ends = Object.entries(conductors).filter(([, word]) => word !== 'earth')
    const [[a, one], [b, other]] = ends
    return sets.find(part.nodes[a]) === sets.find(part.nodes[b])
      ? [
          problem('dead-short', ['parts', part.id], {
            found: `${one} and ${other} of ${part.id} meet with nothing between them but wires, plugs and fuses`,
            expected: 'a load between them',
          }),
        ]
      : []
  })
}

/** Both ends of a part at one point: it can do nothing, whatever is called for. An input that is bridged on purpose stays one. */
function shortedParts({ parts, kinds, sheet }: Machine, joined: ReadonlySet<string>): Problem[] {
  return parts.flatMap((part) => {
    const { terminals, jumperAllowed } = kinds[part.index]
    if (sheet.assembly || terminals.length !== 2 || typeof jumperAllowed === 'object') return []
    const [a, b] = terminals
    if (!joined.has(`${part.id}.${a}`) || part.nodes[a] !== part.nodes[b]) return []
    return [
      problem('shorted-part', ['parts', part.id], {
        found: `${part.id}.${a} and ${part.id}.${b} are at one point`,
        expected: 'two points with the part between them',
      }),
    ]
  })
}

const piecesOf = ({ parts, kinds }: Machine, joined: ReadonlySet<string>): Piece[] =>
  parts.flatMap((part) => {
    const { terminals, insulated } = kinds[part.index]
    return (insulated ?? [terminals]).flatMap((group): Piece[] => {
      const wired = group.filter((t) => joined.has(`${part.id}.${t}`)).map((t) => part.nodes[t])
      return wired.length ? [{ part, nodes: [...new Set(wired)] }] : []
    })
  })

/** Parts that lie on no loop: whatever they are joined to, no current comes back to where it came from. */
function withoutWayBack(machine: Machine, joined: ReadonlySet<string>): Problem[] {
  if (machine.sheet.assembly) return []
  const pieces = piecesOf(machine, joined)
  const looped = new Set(pieces.filter((piece) => onLoop(piece, pieces)).map((p) => p.part.id))
  // Both ends at one point is another matter, and so is a spare wire that a fault puts in another's place.
  const spare = new Set(
    machine.faults.flatMap((f) => f.effects.flatMap((e) => (e.type === 'swap' ? [e.partA, e.partB] : []))),
  )
  const open = pieces.filter((p) => p.nodes.length > 1 || joinedOnce(p, machine, joined))
  const lost = [...new Set(open.map((p) => p.part))].filter((p) => !looped.has(p.id) && !spare.has(p.index))
  return lost.map((part) =>
    problem('no-way-back', ['parts', part.id], {
      found: `no current can run through ${part.id}: one side of it leads nowhere`,
      expected: 'a chain from its other side back to the supply',
    }),
  )
}

/** Whether a single end of it is in a chain. */
const joinedOnce = ({ part }: Piece, { kinds }: Machine, joined: ReadonlySet<string>): boolean =>
  kinds[part.index].terminals.filter((t) => joined.has(`${part.id}.${t}`)).length === 1

/** Whether two of its nodes are joined by the other pieces as well. */
function onLoop(piece: Piece, pieces: readonly Piece[]): boolean {
  const highest = Math.max(...pieces.flatMap((p) => p.nodes))
  const sets = new DisjointSets(highest + 1)
  for (const other of pieces) if (other !== piece) for (const node of other.nodes) sets.join(node, other.nodes[0])
  const roots = piece.nodes.map((node) => sets.find(node))
  return new Set(roots).size < roots.length
}
