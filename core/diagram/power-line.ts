import type { Machine } from '../model/machine'
import type { OperatingPoint } from '../simulation/simulate'
import { edgesOf, leastImpedance } from './least-impedance'

/** Current from which a part that does nothing by itself counts as called, A. */
const CALLED_ABOVE = 1e-3

/** The first moment at which a part is called; the first of all when it never is. */
function momentOf({ kinds, parts }: Machine, snapshots: readonly OperatingPoint[], part: number): OperatingPoint {
  const { active } = kinds[part]
  const called = (s: OperatingPoint) => (active ? s.signal(part, active) > 0.5 : s.amps(parts[part]) > CALLED_ABOVE)
  return snapshots.find(called) ?? snapshots[0]
}

/** Parts from the supply to a part, and those only in its return, by the path of least impedance while it is called. */
export function powerLine(
  machine: Machine,
  snapshots: readonly OperatingPoint[],
  part: number,
): { feed: number[]; back: number[] } {
  const { kinds, parts, frequency } = machine
  const supply = kinds.findIndex((k) => k.returns?.of === 'supply')
  if (supply < 0) return { feed: [], back: [] }
  const edges = edgesOf(momentOf(machine, snapshots, part), frequency)
  const { returns, terminals } = kinds[supply]
  const live = parts[supply].nodes[terminals.find((t) => t !== returns!.terminal)!]
  const ret = parts[supply].nodes[returns!.terminal]
  const [t0, t1] = kinds[part].terminals.map((t) => parts[part].nodes[t])
  const without = new Set([part, supply])
  const ways = [[t0, t1] as const, [t1, t0] as const].flatMap(([near, far]) => {
    const into = leastImpedance(edges, live, near, without)
    const out = leastImpedance(edges, far, ret, without)
    return into && out ? [{ into, out }] : []
  })
  if (!ways.length) return { feed: [], back: [] }
  const { into, out } = ways.sort((a, b) => a.into.ohms + a.out.ohms - b.into.ohms - b.out.ohms)[0]
  const feed = [supply, ...into.parts]
  return { feed, back: out.parts.filter((p) => !feed.includes(p)) }
}
