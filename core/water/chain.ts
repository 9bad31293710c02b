import { drop, FLOW_TOLERANCE, slope, type Stretch } from './solve'

/** A reach without branches: its stretches in order from one fixed pressure to the other. */
export interface Chain {
  /** Indices into the stretches of the reach, with whether each lies in the direction of the chain. */
  links: { stretch: number; forward: boolean }[]
  from: number
  to: number
}

/**
 * The chain that a list of stretches forms, `undefined` when they branch or hang in the air at an end.
 *
 * @param fixed pressure per node, NaN where unknown
 */
export function chainOf(stretches: readonly Stretch[], fixed: Float64Array): Chain | undefined {
  const at = new Map<number, number[]>()
  stretches.forEach((s, k) => {
    for (const node of [s.from, s.to]) at.set(node, [...(at.get(node) ?? []), k])
  })
  const ends = [...at].filter(([node, own]) => !Number.isNaN(fixed[node]) && own.length === 1)
  const inner = [...at].filter(([node]) => Number.isNaN(fixed[node]))
  if (ends.length !== 2 || at.size !== inner.length + 2 || inner.some(([, own]) => own.length !== 2)) return undefined
  const links: Chain['links'] = []
  let node = ends[0][0]
  for (let k = ends[0][1][0]; links.length < stretches.length;) {
    const forward = stretches[k].from === node
    links.push({ stretch: k, forward })
    node = forward ? stretches[k].to : stretches[k].from
    const next = at.get(node)!.find((other) => other !== k)
    if (next === undefined) break
    k = next
  }
  return links.length === stretches.length ? { links, from: ends[0][0], to: node } : undefined
}

const MAX_ROUNDS = 80

/** Where the search for a flow begins, m³/s: always the same, so that the result depends on the pressures alone. */
const START = 1e-4

/**
 * Flow along a chain between two fixed pressures: one equation, Σ h(Q) = p(from) − p(to), in one unknown. The sum
 * rises with Q, so Newton's steps are kept between the last flows known to be too small and too great.
 *
 * @param flow receives the flow of each stretch, m³/s
 * @param pressure receives the pressure of every inner node, Pa
 */
export function solveChain(
  stretches: readonly Stretch[],
  { links, from, to }: Chain,
  fixed: Float64Array,
  flow: Float64Array,
  pressure: Float64Array,
): void {
  const wanted = fixed[from] - fixed[to]
  let q = wanted < 0 ? -START : START
  let [low, high] = [-Infinity, Infinity]
  for (let round = 0; round < MAX_ROUNDS; round++) {
    let sum = -wanted
    let rise = 0
    for (const { stretch, forward } of links) {
      const s = stretches[stretch]
      const own = forward ? q : -q
      sum += forward ? drop(s, own) : -drop(s, own)
      rise += slope(s, own)
    }
    if (sum > 0) high = q
    else low = q
    let next = q - sum / rise
    if (next < low || next > high) next = (low + high) / 2
    const settled = Math.abs(next - q) <= FLOW_TOLERANCE + 1e-9 * Math.abs(next)
    q = next
    if (settled) break
  }
  let p = fixed[from]
  for (const { stretch, forward } of links) {
    const s = stretches[stretch]
    flow[stretch] = forward ? q : -q
    p -= forward ? drop(s, q) : -drop(s, -q)
    const node = forward ? s.to : s.from
    if (node !== to) pressure[node] = p
  }
}
