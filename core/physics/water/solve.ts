import { choleskyInPlace, backwardSolve, forwardSolve } from '../../foundation/linear'

/**
 * One link of a water network, between two nodes. Pressure loss from `from` to `to` at flow Q (m³/s):
 *
 *     h(Q) = linear·Q + quadratic·Q·|Q| + regulatorSlope·max(0, Q − ratedFlow) − pressureRise
 *
 * `regulatorSlope` models a flow regulator that closes up above its rated flow; `pressureRise` is what a running pump adds.
 */
export interface WaterLink {
  from: number
  to: number
  /** Pa/(m³/s)², ≥ 0 */
  quadratic: number
  /** Pa/(m³/s), ≥ 0; keeps the slope finite at rest */
  linear: number
  /** Rated flow of a regulator, m³/s; Infinity without one. */
  ratedFlow: number
  /** Pa/(m³/s) above the rated flow. */
  regulatorSlope: number
  /** Pa added by a pump in the direction from → to. */
  pressureRise: number
  /** True when nothing can flow backwards. */
  oneWay: boolean
}

export interface WaterSolution {
  /** Pa per node; 0 where a node is connected to no source. */
  pressure: Float64Array
  /** m³/s per link, positive from → to. */
  flow: Float64Array
  /** False when the iteration did not reach its tolerance. */
  converged: boolean
}

const BACKWARD = 1e15
/** Flows are settled when they move by less than this, m³/s. */
export const FLOW_TOLERANCE = 1e-12
const MAX_ROUNDS = 60

/** Pressure lost along a link at a flow, Pa. */
export const pressureLoss = (s: WaterLink, q: number): number =>
  s.linear * q +
  s.quadratic * q * Math.abs(q) +
  (q > s.ratedFlow ? s.regulatorSlope * (q - s.ratedFlow) : 0) +
  (s.oneWay && q < 0 ? BACKWARD * q : 0) -
  s.pressureRise

/** Its derivative, Pa/(m³/s). */
export const lossSlope = (s: WaterLink, q: number): number =>
  s.linear +
  2 * s.quadratic * Math.abs(q) +
  (q > s.ratedFlow ? s.regulatorSlope : 0) +
  (s.oneWay && q < 0 ? BACKWARD : 0)

/** Nodes that hang together with a fixed pressure. */
function reachedFrom(nodes: number, links: readonly WaterLink[], fixed: Float64Array): Uint8Array {
  const reached = new Uint8Array(nodes)
  for (let i = 0; i < nodes; i++) if (!Number.isNaN(fixed[i])) reached[i] = 1
  for (let again = true; again;) {
    again = false
    for (const { from, to } of links)
      if (reached[from] !== reached[to]) {
        reached[from] = reached[to] = 1
        again = true
      }
  }
  return reached
}

/** Adds one link to the equations of the unknown pressures, linearised at its flow; only the lower triangle is kept. */
function addLink(
  { a, b, n, row }: { a: Float64Array; b: Float64Array; n: number; row: Int32Array },
  s: WaterLink,
  flow: number,
  pressure: Float64Array,
): void {
  const g = 1 / lossSlope(s, flow)
  // Next flow = base + g·(p_from − p_to)
  const base = flow - g * pressureLoss(s, flow)
  const [i, j] = [row[s.from], row[s.to]]
  if (i >= 0) {
    a[i * n + i] += g
    b[i] -= base
    if (j < 0) b[i] += g * pressure[s.to]
  }
  if (j >= 0) {
    a[j * n + j] += g
    b[j] += base
    if (i < 0) b[j] += g * pressure[s.from]
  }
  if (i >= 0 && j >= 0) a[Math.max(i, j) * n + Math.min(i, j)] -= g
}

/** Flow that a link begins with, m³/s. */
const FIRST_FLOW = 1e-4

/**
 * Steady flow through a network of links between nodes of fixed and of unknown pressure.
 *
 * Global gradient algorithm (Todini & Pilati 1988): Newton's method on flows and pressures together.
 *
 * @param nodes number of nodes
 * @param fixed pressure in Pa per node, NaN where unknown
 * @returns pressures in Pa by node and flows in m³/s by link, positive from `from` to `to`; nodes cut off from every fixed
 *   pressure get 0. `converged` is false where rounds ran out or the equations were singular
 */
export function solveWater(nodes: number, links: readonly WaterLink[], fixed: Float64Array): WaterSolution {
  const reached = reachedFrom(nodes, links, fixed)
  const pressure = fixed.map((p) => (Number.isNaN(p) ? 0 : p))
  const flow = new Float64Array(links.length)
  links.forEach((s, k) => {
    if (reached[s.from]) flow[k] = Math.min(FIRST_FLOW, s.ratedFlow)
  })
  const row = new Int32Array(nodes).fill(-1)
  let n = 0
  for (let i = 0; i < nodes; i++) if (reached[i] && Number.isNaN(fixed[i])) row[i] = n++
  const equations = { a: new Float64Array(n * n), b: new Float64Array(n), n, row }
  let settled = false
  for (let round = 0; round < MAX_ROUNDS && !settled; round++) {
    equations.a.fill(0)
    equations.b.fill(0)
    links.forEach((s, k) => {
      if (reached[s.from]) addLink(equations, s, flow[k], pressure)
    })
    if (n > 0) {
      if (!choleskyInPlace(equations.a, n)) break
      forwardSolve(equations.a, n, equations.b)
      backwardSolve(equations.a, n, equations.b)
    }
    for (let i = 0; i < nodes; i++) if (row[i] >= 0) pressure[i] = equations.b[row[i]]
    settled = true
    links.forEach((s, k) => {
      if (!reached[s.from]) return
      const g = 1 / lossSlope(s, flow[k])
      const next = flow[k] - g * (pressureLoss(s, flow[k]) - (pressure[s.from] - pressure[s.to]))
      // Written so that what is no number has not come to rest either.
      if (!(Math.abs(next - flow[k]) <= FLOW_TOLERANCE + 1e-9 * Math.abs(next))) settled = false
      flow[k] = next
    })
  }
  return { pressure, flow, converged: settled }
}
