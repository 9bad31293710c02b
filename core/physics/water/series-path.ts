import { FLOW_TOLERANCE, lossSlope, outletAllowed, pressureLoss, throttles, type WaterLink } from './solve'

/** A subnetwork without branches: its links in order from one fixed pressure to the other. */
export interface SeriesPath {
  /** Indices into the links of the subnetwork, with whether each lies in the direction of the path. */
  steps: { link: number; forward: boolean }[]
  from: number
  to: number
}

/**
 * The path that a list of links forms, `undefined` when they branch, hang in the air at an end, or hold a pressure regulator each way
 * round. Pressure regulators lie in the direction of the path.
 *
 * @param fixed pressure per node, NaN where unknown
 */
export function seriesPathOf(links: readonly WaterLink[], fixed: Float64Array): SeriesPath | undefined {
  const at = new Map<number, number[]>()
  links.forEach((s, k) => {
    for (const node of [s.from, s.to]) at.set(node, [...(at.get(node) ?? []), k])
  })
  const ends = [...at].filter(([node, own]) => !Number.isNaN(fixed[node]) && own.length === 1)
  const inner = [...at].filter(([node]) => Number.isNaN(fixed[node]))
  if (ends.length !== 2 || at.size !== inner.length + 2 || inner.some(([, own]) => own.length !== 2)) return undefined
  const steps: SeriesPath['steps'] = []
  let node = ends[0][0]
  for (let k = ends[0][1][0]; steps.length < links.length;) {
    const forward = links[k].from === node
    steps.push({ link: k, forward })
    node = forward ? links[k].to : links[k].from
    const next = at.get(node)!.find((other) => other !== k)
    if (next === undefined) break
    k = next
  }
  if (steps.length !== links.length) return undefined
  const turned = steps.map(({ link, forward }) => ({ link, forward: !forward })).reverse()
  const path = { steps, from: ends[0][0], to: node }
  return [path, { steps: turned, from: path.to, to: path.from }].find((p) =>
    p.steps.every(({ link, forward }) => forward || links[link].outletAtMost === Infinity),
  )
}

const MAX_ROUNDS = 80

/** Where the search for a flow begins, m³/s: always the same, so that the result depends on the pressures alone. */
const START = 1e-4

/**
 * Flow along a path between two fixed pressures: one equation, Σ h(Q) = p(from) − p(to), in one unknown. The sum
 * rises with Q, so Newton's steps are kept between the last flows known to be too small and too great. Behind a pressure regulator that
 * throttles stands what it allows, whatever was lost before it.
 *
 * @param flow receives the flow of each link, m³/s
 * @param pressure receives the pressure of every inner node, Pa
 */
export function solveSeriesPath(
  links: readonly WaterLink[],
  { steps, from, to }: SeriesPath,
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
    for (const { link, forward } of steps) {
      const s = links[link]
      const own = forward ? q : -q
      if (throttles(s, own, fixed[from] - wanted - sum)) {
        sum = fixed[from] - wanted - outletAllowed(s, own)
        rise = own < 0 ? lossSlope(s, own) : s.droop
        continue
      }
      sum += forward ? pressureLoss(s, own) : -pressureLoss(s, own)
      rise += lossSlope(s, own)
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
  for (const { link, forward } of steps) {
    const s = links[link]
    flow[link] = forward ? q : -q
    if (throttles(s, flow[link], p)) p = outletAllowed(s, q)
    else p -= forward ? pressureLoss(s, q) : -pressureLoss(s, -q)
    const node = forward ? s.to : s.from
    if (node !== to) pressure[node] = p
  }
}
