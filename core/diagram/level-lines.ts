import type { Machine } from '../model/machine'
import { atomsOf, signalsIn } from '../model/sheet'
import type { OperatingPoint } from '../simulation/simulate'
import { edgesOf, leastImpedance } from './least-impedance'
import type { TracedLines } from './types'
import { isVessel } from './water-line'

/** Parts that the control or a complaint goes by. */
function inputsOf({ phases, complaints }: Machine): Set<number> {
  const conditions = [...phases.flatMap((p) => p.exits.map((e) => e.when)), ...complaints.map((c) => c.when)]
  const atoms = conditions.flatMap((c) => [...atomsOf(c)])
  return new Set(atoms.flatMap((a) => signalsIn(a).map((s) => s.part)))
}

/** A part with what it stands on, from the outermost in. */
function standsOn({ parts }: Machine, part: number): number[] {
  const chain = [part]
  while (Object.values(parts[chain[0]].ref).length && chain.length < parts.length)
    chain.unshift(Object.values(parts[chain[0]].ref)[0])
  return chain
}

/** The nearest input of the control behind a part, with the parts on the way to it. */
function wayToInput(machine: Machine, inputs: ReadonlySet<number>, point: OperatingPoint, part: number): number[] {
  const { parts, kinds, frequency } = machine
  const start = Object.values(parts[part].nodes)[0]
  if (start === undefined) return []
  const edges = edgesOf(point, frequency)
  const ends = parts
    .filter((q) => inputs.has(q.index) && q.index !== part && kinds[q.index].line === 'level')
    .flatMap((q) => {
      const [to] = Object.values(q.nodes)
      const way = to === undefined ? undefined : leastImpedance(edges, start, to, new Set([part, q.index]))
      return way ? [{ end: q.index, ...way }] : []
    })
    .sort((a, b) => a.ohms - b.ohms)
  return ends.length ? [...ends[0].parts, ends[0].end] : []
}

/**
 * Level lines: from each vessel over what stands in it (tube, float, probe) to the input that the control goes by.
 *
 * @param centers parts that have a lane of their own and so none here
 */
export function levelLines(
  machine: Machine,
  snapshots: readonly OperatingPoint[],
  centers: ReadonlySet<number>,
): TracedLines['levels'] {
  const inputs = inputsOf(machine)
  const last = snapshots.at(-1)
  return machine.parts.flatMap(({ index }) => {
    const [vessel, ...chain] = standsOn(machine, index)
    if (!chain.length || !isVessel(machine, vessel) || centers.has(index)) return []
    if (machine.parts.some((q) => Object.values(q.ref).includes(index))) return []
    return [{ vessel, chain: [...chain, ...(last ? wayToInput(machine, inputs, last, index) : [])] }]
  })
}
