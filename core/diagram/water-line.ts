import type { Machine } from '../model/machine'

/** Whether a part holds water: it has a state and ports. */
export const isVessel = ({ kinds }: Machine, part: number): boolean =>
  (kinds[part].states?.length ?? 0) > 0 && kinds[part].ports.length > 0

const portNode = ({ kinds, parts }: Machine, part: number, end: 'first' | 'last'): number => {
  const { ports } = kinds[part]
  return parts[part].ports[ports[end === 'first' ? 0 : ports.length - 1]]
}

/** Parts, other than one, with that end of theirs at a node of the water. */
const neighbours = (machine: Machine, node: number, end: 'first' | 'last', except: number): number[] =>
  machine.parts.flatMap(({ index }) =>
    index !== except && machine.kinds[index].ports.length > 0 && portNode(machine, index, end) === node ? [index] : [],
  )

/** Parts along the water from a part on, up or down its flow, and the vessel that the line ends at, where there is one. */
export function waterLine(
  machine: Machine,
  part: number,
  way: 'up' | 'down',
): { chain: number[]; vessel: number | undefined } {
  const { parts } = machine
  const chain: number[] = []
  const [near, far] = way === 'up' ? (['first', 'last'] as const) : (['last', 'first'] as const)
  for (let at = part; chain.length < parts.length;) {
    const node = portNode(machine, at, near)
    const vessel = parts.find((p) => isVessel(machine, p.index) && Object.values(p.ports).includes(node))?.index
    if (vessel !== undefined) return { chain, vessel }
    const [next, ...others] = neighbours(machine, node, far, at)
    // Where the water parts, each branch is a lane of its own.
    if (next === undefined || chain.includes(next) || (way === 'down' && others.length)) break
    chain.push(next)
    at = next
  }
  return { chain, vessel: undefined }
}

/** Parts next to a part along the water, up or down its flow. */
export const waterNeighbours = (machine: Machine, part: number, way: 'up' | 'down'): number[] =>
  way === 'up'
    ? neighbours(machine, portNode(machine, part, 'first'), 'last', part)
    : neighbours(machine, portNode(machine, part, 'last'), 'first', part)
