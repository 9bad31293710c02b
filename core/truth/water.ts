import type { WaterLink } from '../physics/water'

/**
 * A plain second solver for water: the flow of each chain by a bracketed root, the pressures where chains meet by one
 * too, one after another, round after round until nothing moves. Slow and sure; the networks are small.
 *
 * @param fixed Pa per node, NaN where unknown; which nodes are fixed must not change between calls
 * @returns a function from fixed pressures to m³/s per link
 */
export function waterSolver(links: readonly WaterLink[], fixed: Float64Array): (fixed: Float64Array) => Float64Array {
  const free = [...new Set(links.flatMap((s) => [s.from, s.to]))].filter((n) => Number.isNaN(fixed[n]))
  // Links in series at a free node that nothing else meets are one chain with one flow.
  const chains = chainsOf(links, new Set(free))
  const joints = free.filter((n) => chains.some((c) => c.from === n || c.to === n))
  const pressure = fixed.map((p) => (Number.isNaN(p) ? 0 : p))
  const last = chains.map(() => ({ inlet: NaN, outlet: NaN, q: 0 }))
  const flowOf = (k: number): number => {
    const [inlet, outlet] = [pressure[chains[k].from], pressure[chains[k].to]]
    if (last[k].inlet !== inlet || last[k].outlet !== outlet)
      last[k] = { inlet, outlet, q: flowAlong(chains[k], inlet, outlet, last[k].q) }
    return last[k].q
  }
  return (now) => {
    now.forEach((p, i) => {
      if (!Number.isNaN(p)) pressure[i] = p
    })
    for (let round = 0; round < (joints.length ? 400 : 0); round++) {
      let moved = 0
      for (const node of joints) {
        const own = [...chains.keys()].filter((k) => chains[k].from === node || chains[k].to === node)
        const before = pressure[node]
        const lost = (p: number): number => {
          pressure[node] = p
          return own.reduce((sum, k) => sum + (chains[k].to === node ? -flowOf(k) : flowOf(k)), 0)
        }
        pressure[node] = risingRoot(lost, before, 1, 1e-9)
        moved = Math.max(moved, Math.abs(pressure[node] - before))
      }
      if (moved < 1e-3) break
    }
    const out = new Float64Array(links.length)
    chains.forEach((c, k) => {
      const q = flowOf(k)
      for (const l of c.steps) out[l.index] = l.forward ? q : -q
    })
    return out
  }
}

/** The flow at which a chain loses the pressure it is given: the loss rises with the flow. */
const flowAlong = (c: Chain, inlet: number, outlet: number, before: number): number =>
  risingRoot((q) => lossAlong(c, q, inlet) - (inlet - outlet), before, 1e-9, 1e-18)

/**
 * Root of a function that never falls, by Ridders' method (1979): the bracket is at least halved each time and the root never
 * leaves it.
 *
 * @param near where the bracket begins to grow, by `width` to either side
 * @param within width of the bracket that is good enough
 */
function risingRoot(f: (x: number) => number, near: number, width: number, within: number): number {
  let [high, low] = [near + width, near - width]
  let [above, below] = [f(high), f(low)]
  for (let w = width; above < 0; above = f(high)) high = near + (w *= 8)
  for (let w = width; below > 0; below = f(low)) low = near - (w *= 8)
  for (let i = 0; i < 200 && high - low > within; i++) {
    const mid = (low + high) / 2
    if (mid <= low || mid >= high) break
    const at = f(mid)
    if (at === 0) return mid
    const x = mid - ((mid - low) * at) / Math.sqrt(at * at - below * above)
    const here = x > low && x < high ? f(x) : at
    for (const [p, v] of [
      [mid, at],
      [x, here],
    ]) {
      if (v <= 0 && p > low && p < high) [low, below] = [p, v]
      if (v >= 0 && p < high && p > low) [high, above] = [p, v]
    }
  }
  return (low + high) / 2
}

/** What a chain loses at a flow, with `inlet` Pa where it begins; a pressure regulator is a chain of its own, seen from its inlet. */
function lossAlong({ steps }: Chain, q: number, inlet: number): number {
  let sum = 0
  for (const { link: s, forward } of steps) {
    const own = forward ? q : -q
    const loss =
      s.linear * own +
      s.quadratic * own * Math.abs(own) +
      (own > s.ratedFlow ? s.regulatorSlope * (own - s.ratedFlow) : 0) +
      (s.oneWay && own < 0 ? 1e15 * own : 0) -
      s.pressureRise
    sum += forward ? loss : -loss
  }
  const [{ link }] = steps
  if (!isRegulator(link)) return sum
  return Math.max(sum, inlet - link.outletAtMost + (q < 0 ? 1e15 : link.droop) * q)
}

const isRegulator = (s: WaterLink): boolean => s.outletAtMost < Infinity

interface Step {
  link: WaterLink
  index: number
  forward: boolean
}
interface Chain {
  from: number
  to: number
  steps: Step[]
}

/** Cuts a network into chains between nodes that are fixed or branch. A chain that ends in nothing carries nothing. */
function chainsOf(links: readonly WaterLink[], free: ReadonlySet<number>): Chain[] {
  const at = new Map<number, number[]>()
  links.forEach((s, k) => [s.from, s.to].forEach((n) => at.set(n, [...(at.get(n) ?? []), k])))
  const passes = (n: number) => free.has(n) && at.get(n)!.length === 2 && !at.get(n)!.some((k) => isRegulator(links[k]))
  const ends = (n: number) => free.has(n) && at.get(n)!.length === 1
  const used = new Set<number>()
  const chains: Chain[] = []
  for (const [node, own] of at) {
    if (passes(node)) continue
    for (const first of own) {
      if (used.has(first)) continue
      const steps: Step[] = []
      // A pressure regulator is looked at from its inlet.
      if (isRegulator(links[first]) && links[first].from !== node) continue
      let [here, k] = [node, first]
      for (;;) {
        used.add(k)
        const s = links[k]
        const forward = s.from === here
        steps.push({ link: s, index: k, forward })
        here = forward ? s.to : s.from
        if (!passes(here)) break
        k = at.get(here)!.find((other) => other !== k)!
      }
      if (!ends(here) && !ends(node)) chains.push({ from: node, to: here, steps })
    }
  }
  return chains
}
