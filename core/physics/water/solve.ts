import { choleskyInPlace, backwardSolve, forwardSolve, solveDenseInPlace } from '../../foundation/linear'

/**
 * One link of a water network, between two nodes. Pressure loss from `from` to `to` at flow Q (m³/s):
 *
 *     h(Q) = linear·Q + quadratic·Q·|Q| + regulatorSlope·max(0, Q − ratedFlow) − pressureRise
 *
 * `regulatorSlope` models a flow regulator that closes up above its rated flow; `pressureRise` is what a running pump adds.
 *
 * A pressure regulator throttles besides, so that the pressure at `to` is at most `outletAtMost − droop·Q`, whatever stands at `from`;
 * nothing flows backwards through it.
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
  /** Pa above which a pressure regulator lets nothing rise at `to` while nothing flows; Infinity without one. */
  outletAtMost: number
  /** Pa/(m³/s) by which a pressure regulator lets its outlet fall as more flows, > 0 with one. */
  droop: number
}

/** What a link is besides its nodes and its own loss: nothing regulates, nothing drives. */
export const PLAIN_LINK = {
  ratedFlow: Infinity,
  regulatorSlope: 0,
  pressureRise: 0,
  oneWay: false,
  outletAtMost: Infinity,
  droop: 0,
} satisfies Partial<WaterLink>

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

/** Pressure lost along a link at a flow, Pa, but for what a pressure regulator throttles. */
export const pressureLoss = (s: WaterLink, q: number): number =>
  s.linear * q +
  s.quadratic * q * Math.abs(q) +
  (q > s.ratedFlow ? s.regulatorSlope * (q - s.ratedFlow) : 0) +
  (s.oneWay && q < 0 ? BACKWARD * q : 0) -
  s.pressureRise

/** Pressure that a pressure regulator allows at its outlet at a flow, Pa. */
export const outletAllowed = (s: WaterLink, q: number): number => s.outletAtMost - (q < 0 ? BACKWARD : s.droop) * q

/** Whether a pressure regulator throttles at a flow and a pressure at its inlet, Pa; against a flow backwards it is shut either way. */
export const throttles = (s: WaterLink, q: number, inlet: number): boolean =>
  s.outletAtMost !== Infinity && (q < 0 ? inlet > s.outletAtMost : inlet - pressureLoss(s, q) > outletAllowed(s, q))

/** Slope of `pressureLoss`, Pa/(m³/s). */
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

interface Equations {
  /** n×n, row-major; unsymmetric where a regulator throttles. */
  a: Float64Array
  b: Float64Array
  n: number
  row: Int32Array
}

/** Adds one link to the equations of the unknown pressures, linearised at its flow. */
function addLink({ a, b, n, row }: Equations, s: WaterLink, flow: number, pressure: Float64Array): void {
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
  if (i < 0 || j < 0) return
  a[i * n + j] -= g
  a[j * n + i] -= g
}

/** Adds a regulator that throttles: what flows hangs on the pressure behind it alone, flow = base − g·p_to. */
function addThrottling({ a, b, n, row }: Equations, s: WaterLink, pressure: Float64Array): void {
  const g = 1 / s.droop
  const base = g * s.outletAtMost
  const [i, j] = [row[s.from], row[s.to]]
  if (i >= 0) b[i] -= base - (j < 0 ? g * pressure[s.to] : 0)
  if (j < 0) return
  if (i >= 0) a[i * n + j] -= g
  a[j * n + j] += g
  b[j] += base
}

/** Solves the equations into `b`; false where they are singular. */
function solveEquations({ a, b, n }: Equations, unsymmetric: boolean): boolean {
  if (n === 0) return true
  if (unsymmetric) return solveDenseInPlace(a, n, b)
  if (!choleskyInPlace(a, n)) return false
  forwardSolve(a, n, b)
  backwardSolve(a, n, b)
  return true
}

/** Flow that a link begins with, m³/s. */
const FIRST_FLOW = 1e-4

/** Unknown pressures of the nodes that hang together with a fixed one. */
function equationsOf(fixed: Float64Array, reached: Uint8Array): Equations {
  const row = new Int32Array(fixed.length).fill(-1)
  let n = 0
  for (let i = 0; i < fixed.length; i++) if (reached[i] && Number.isNaN(fixed[i])) row[i] = n++
  return { a: new Float64Array(n * n), b: new Float64Array(n), n, row }
}

/** How a pressure regulator stands: as good as a pipe, throttling, or shut against what stands behind it. */
const [OPEN, THROTTLING, SHUT] = [0, 1, 2]

/** The network with each regulator in its state; any other link is open. */
function solveWith(
  states: Uint8Array,
  links: readonly WaterLink[],
  fixed: Float64Array,
  reached: Uint8Array,
): WaterSolution {
  const pressure = fixed.map((p) => (Number.isNaN(p) ? 0 : p))
  const flow = new Float64Array(links.length)
  const own = links.map((s, k) => (states[k] === SHUT ? { ...s, linear: BACKWARD, quadratic: 0 } : s))
  own.forEach((s, k) => {
    if (reached[s.from]) flow[k] = Math.min(FIRST_FLOW, s.ratedFlow)
  })
  const equations = equationsOf(fixed, reached)
  const { a, b, row } = equations
  const unsymmetric = states.includes(THROTTLING)
  let settled = false
  for (let round = 0; round < MAX_ROUNDS && !settled; round++) {
    a.fill(0)
    b.fill(0)
    own.forEach((s, k) => {
      if (!reached[s.from]) return
      if (states[k] === THROTTLING) addThrottling(equations, s, pressure)
      else addLink(equations, s, flow[k], pressure)
    })
    if (!solveEquations(equations, unsymmetric)) break
    for (let i = 0; i < row.length; i++) if (row[i] >= 0) pressure[i] = b[row[i]]
    settled = true
    own.forEach((s, k) => {
      if (!reached[s.from]) return
      const g = 1 / lossSlope(s, flow[k])
      const next =
        states[k] === THROTTLING
          ? (s.outletAtMost - pressure[s.to]) / s.droop
          : flow[k] - g * (pressureLoss(s, flow[k]) - (pressure[s.from] - pressure[s.to]))
      // Written so that what is no number has not come to rest either.
      if (!(Math.abs(next - flow[k]) <= FLOW_TOLERANCE + 1e-9 * Math.abs(next))) settled = false
      flow[k] = next
    })
  }
  return { pressure, flow, converged: settled }
}

/** Pressure by which a regulator may stand on the wrong side of its setting, Pa. */
const SETTING_TOLERANCE = 0.1

/** The state that a regulator should stand in, judged by a solution with another; its own where they agree. */
function stateBy({ flow, pressure }: WaterSolution, state: number, s: WaterLink, k: number): number {
  const [inlet, outlet] = [pressure[s.from], pressure[s.to]]
  switch (state) {
    case OPEN:
      if (outlet > inlet + SETTING_TOLERANCE) return OPEN
      return throttles(s, Math.max(0, flow[k]), inlet - SETTING_TOLERANCE) ? THROTTLING : OPEN
    case THROTTLING:
      if (flow[k] < -10 * FLOW_TOLERANCE) return outlet < inlet ? SHUT : OPEN
      return throttles(s, Math.max(0, flow[k]), inlet + SETTING_TOLERANCE) ? THROTTLING : OPEN
    default:
      if (outlet > inlet + SETTING_TOLERANCE) return OPEN
      return outlet > s.outletAtMost - SETTING_TOLERANCE ? SHUT : THROTTLING
  }
}

/** Most regulators of one branched network whose states are all gone through. */
const MOST_REGULATORS = 5

/**
 * Steady flow through a network of links between nodes of fixed and of unknown pressure.
 *
 * Global gradient algorithm (Todini & Pilati 1988): Newton's method on flows and pressures together. How pressure regulators stand is
 * found by turning over those that the solution contradicts, and where that goes in circles by going through all their states.
 *
 * @param nodes number of nodes
 * @param fixed pressure in Pa per node, NaN where unknown
 * @returns pressures in Pa by node and flows in m³/s by link, positive from `from` to `to`; nodes cut off from every fixed
 *   pressure get 0. `converged` is false where rounds ran out, the equations were singular or more than `MOST_REGULATORS` contradict
 *   each other
 */
export function solveWater(nodes: number, links: readonly WaterLink[], fixed: Float64Array): WaterSolution {
  const reached = reachedFrom(nodes, links, fixed)
  const regulators = [...links.keys()].filter((k) => links[k].outletAtMost !== Infinity)
  const states = new Uint8Array(links.length)
  let solved = solveWith(states, links, fixed, reached)
  if (regulators.length === 0) return solved
  const stands = () =>
    solved.converged && regulators.every((k) => stateBy(solved, states[k], links[k], k) === states[k])
  for (let round = 0; round < 3 * regulators.length; round++) {
    if (stands()) return solved
    const next = regulators.map((k) => stateBy(solved, states[k], links[k], k))
    regulators.forEach((k, i) => (states[k] = next[i]))
    solved = solveWith(states, links, fixed, reached)
  }
  for (let all = 0; all < 3 ** Math.min(regulators.length, MOST_REGULATORS); all++) {
    if (stands()) return solved
    regulators.forEach((k, i) => (states[k] = Math.floor(all / 3 ** i) % 3))
    solved = solveWith(states, links, fixed, reached)
  }
  return { ...solved, converged: stands() }
}
