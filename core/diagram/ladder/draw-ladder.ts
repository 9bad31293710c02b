import type { Machine } from '../../model/machine'
import { branchesOf } from './branches'
import { layoutCircuit } from './layout-circuit'
import { traceLooseEnds, traceRungs } from './trace-rungs'
import type { Ladder, LadderCircuit, Rails } from './types'

const drawn = new WeakMap<Machine, Ladder>()

/** The ladders of a machine, drawn once. */
export function ladderOf(machine: Machine): Ladder {
  let own = drawn.get(machine)
  if (!own) drawn.set(machine, (own = drawLadder(machine)))
  return own
}

/** Terminals of a source at the left rail and at the right, and all of that circuit; `undefined` for a part that is no source. */
export function railsOf({ parts, kinds }: Machine, part: number): Rails | undefined {
  const { terminals, insulated, returns } = kinds[part]
  if (!returns) return undefined
  const own = (insulated ?? [terminals]).find((group) => group.includes(returns.terminal))!
  const feed = own.find((t) => t !== returns.terminal && t in parts[part].nodes)
  return feed === undefined ? undefined : { feed, return: returns.terminal, own }
}

/**
 * The wiring of a machine as ladders, one for each source: the supply first, then windings, rectifiers and inputs of the
 * control. Found from the joints of the sheet alone.
 */
function drawLadder(machine: Machine): Ladder {
  const { parts, kinds } = machine
  const left = new Set(branchesOf(machine))
  const ends = parts.flatMap(({ index }) => {
    const rails = railsOf(machine, index)
    return rails ? [{ source: index, of: kinds[index].returns!.of, ...rails }] : []
  })
  const circuits = [...ends.filter((e) => e.of === 'supply'), ...ends.filter((e) => e.of === 'circuit')].map((end) => {
    const { nodes } = parts[end.source]
    // What a source does between its own rails is the source; in the circuit of another it may have been a load.
    for (const b of left) if (b.part === end.source && end.own.includes(b.a)) left.delete(b)
    const rails = { feed: nodes[end.feed], back: nodes[end.return] }
    return { end, rails, chains: traceRungs(left, rails.feed, rails.back) }
  })
  for (const { chains, rails } of circuits) chains.push(...traceLooseEnds(left, chains, rails.back))
  return {
    circuits: circuits
      .filter(({ chains }) => chains.length)
      .map(({ end, rails, chains }): LadderCircuit => ({
        source: end.source,
        feed: end.feed,
        return: end.return,
        ...layoutCircuit(chains, rails.feed, rails.back),
      })),
  }
}
