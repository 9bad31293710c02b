import { choleskyInPlace, backwardSolve, forwardSolve } from '../foundation/linear'

/**
 * One stretch of pipe between two water nodes. Pressure drop from `from` to `to` at flow Q (m³/s):
 *
 *     h(Q) = linear·Q + square·Q·|Q| + beyond·max(0, Q − rated) − head
 *
 * `beyond` models a flow regulator that closes up above its rated flow; `head` is what a running pump adds.
 */
export interface Stretch {
  from: number
  to: number
  /** Pa/(m³/s)², ≥ 0 */
  square: number
  /** Pa/(m³/s), ≥ 0; keeps the slope finite at rest */
  linear: number
  /** Rated flow of a regulator, m³/s; Infinity without one. */
  rated: number
  /** Pa/(m³/s) above the rated flow. */
  beyond: number
  /** Pa added by a pump in the direction from → to. */
  head: number
  /** True when nothing can flow backwards. */
  oneWay: boolean
}

export interface WaterSolution {
  /** Pa per node; 0 where a node is connected to no source. */
  pressure: Float64Array
  /** m³/s per stretch, positive from → to. */
  flow: Float64Array
  /** False when the iteration did not reach its tolerance. */
  settled: boolean
}

const BACKWARD = 1e15
/** Flows are settled when they move by less than this, m³/s. */
export const FLOW_TOLERANCE = 1e-12
const MAX_ROUNDS = 60

/** Pressure lost along a stretch at a flow, Pa. */
export const drop = (s: Stretch, q: number): number =>
  s.linear * q +
  s.square * q * Math.abs(q) +
  (q > s.rated ? s.beyond * (q - s.rated) : 0) +
  (s.oneWay && q < 0 ? BACKWARD * q : 0) -
  s.head

/** Its derivative, Pa/(m³/s). */
export const slope = (s: Stretch, q: number): number =>
  s.linear + 2 * s.square * Math.abs(q) + (q > s.rated ? s.beyond : 0) + (s.oneWay && q < 0 ? BACKWARD : 0)

/**
 * Steady flow through a network of stretches between nodes of fixed and of unknown pressure.
 *
 * Global gradient algorithm (Todini & Pilati 1988): Newton's method on flows and pressures together.
 *
 * @param nodes number of nodes
 * @param fixed pressure in Pa per node, NaN where unknown
 * @returns pressures and flows; nodes cut off from every fixed pressure get 0
 */
export function solveWater(nodes: number, stretches: readonly Stretch[], fixed: Float64Array): WaterSolution {
  const pressure = new Float64Array(nodes)
  const flow = new Float64Array(stretches.length)
  const reached = new Uint8Array(nodes)
  for (let i = 0; i < nodes; i++)
    if (!Number.isNaN(fixed[i])) {
      reached[i] = 1
      pressure[i] = fixed[i]
    }
  for (let again = true; again;) {
    again = false
    for (const s of stretches)
      if (reached[s.from] !== reached[s.to]) {
        reached[s.from] = reached[s.to] = 1
        again = true
      }
  }
  const row = new Int32Array(nodes).fill(-1)
  let n = 0
  for (let i = 0; i < nodes; i++) if (reached[i] && Number.isNaN(fixed[i])) row[i] = n++
  stretches.forEach((s, k) => {
    flow[k] = reached[s.from] ? Math.min(1e-4, s.rated) : 0
  })
  const a = new Float64Array(n * n)
  const b = new Float64Array(n)
  let settled = false
  for (let round = 0; round < MAX_ROUNDS && !settled; round++) {
    a.fill(0)
    b.fill(0)
    stretches.forEach((s, k) => {
      if (!reached[s.from]) return
      const g = 1 / slope(s, flow[k])
      // Next flow = base + g·(p_from − p_to)
      const base = flow[k] - g * drop(s, flow[k])
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
    })
    if (n > 0) {
      if (!choleskyInPlace(a, n)) break
      forwardSolve(a, n, b)
      backwardSolve(a, n, b)
    }
    for (let i = 0; i < nodes; i++) if (row[i] >= 0) pressure[i] = b[row[i]]
    settled = true
    stretches.forEach((s, k) => {
      if (!reached[s.from]) return
      const g = 1 / slope(s, flow[k])
      const next = flow[k] - g * (drop(s, flow[k]) - (pressure[s.from] - pressure[s.to]))
      if (Math.abs(next - flow[k]) > FLOW_TOLERANCE + 1e-9 * Math.abs(next)) settled = false
      flow[k] = next
    })
  }
  return { pressure, flow, settled }
}
