import { problem } from '../foundation/issues'
import { InputError } from '../foundation/result'
import { admittanceOf, newAdmittance, type Analysis, type Component } from './components'
import { DisjointSets } from '../foundation/disjoint-sets'
import { factorInPlace, solveInPlace, type Factor } from '../foundation/linear'

/** The Thevenin equivalent seen by a meter, with the adjoint vector that also gives every sensitivity. */
export interface Port {
  /** Open-circuit voltage from a to b, volts (RMS phasor or DC). */
  re: number
  im: number
  /** Source impedance in ohms. */
  zRe: number
  zIm: number
  /** False when no current can flow between the two points: a meter there closes no loop. */
  connected: boolean
  /** A⁻¹(e_a − e_b) per node: volts for one ampere driven in at a and out at b. Empty when not connected. */
  adjointRe: Float64Array
  adjointIm: Float64Array
}

/**
 * One solved network: nodal analysis at one frequency, or DC.
 *
 * Parts of the network that hang in the air are each tied to zero at one of their nodes; no current flows
 * in that tie, so voltages inside such a part are exact, and between two parts a meter reads nothing.
 */
export interface Solution {
  analysis: Analysis
  omega: number
  components: readonly Component[]
  /** Node voltages relative to the tie of the node's own island. */
  re: Float64Array
  im: Float64Array
  island: Int32Array
  /** Parts of the matrix that do not touch each other, each factored by itself. */
  blocks: Factor[]
  /** Block of each node. */
  block: Int32Array
  /** Row of each node in the matrix of its block, -1 for the tied node of an island. */
  row: Int32Array
}

/** Root of each node under the joints that `touch` names for each component. */
function joined(
  nodes: number,
  components: readonly Component[],
  touch: (c: Component, join: (a: number, b: number) => void) => void,
): Int32Array {
  const sets = new DisjointSets(nodes)
  for (const c of components) touch(c, (a, b) => sets.join(a, b))
  return sets.representatives()
}

/** Nodes between which current can flow, by the lowest of them. */
const islandsOf = (nodes: number, components: readonly Component[], analysis: Analysis): Int32Array =>
  joined(nodes, components, (c, join) => {
    if (c.t === 'RECT') {
      if (analysis === 'dc') join(c.c, c.d)
      else if (Number.isFinite(c.load)) join(c.a, c.b)
      return
    }
    if (analysis === 'dc' && c.t === 'RC') return
    join(c.a, c.b)
    if (c.t === 'T') join(c.c, c.d)
  })

/**
 * Solves the network.
 *
 * @param nodes number of nodes; components refer to 0 … nodes-1
 * @param omega angular frequency in rad/s (ignored for DC)
 * @throws InputFault `floating-node` naming the node when the matrix is singular (cannot happen for positive ohms)
 */
export function solveCircuit(
  nodes: number,
  components: readonly Component[],
  analysis: Analysis,
  omega: number,
): Solution {
  const island = islandsOf(nodes, components, analysis)
  // Islands that a transformer couples are one block of the matrix; the others never meet.
  const root = joined(nodes, components, (c, join) => {
    if (c.t === 'T' && analysis === 'ac') join(island[c.a], island[c.c])
  })
  const row = new Int32Array(nodes).fill(-1)
  const block = new Int32Array(nodes).fill(-1)
  const sizes: number[] = []
  for (let i = 0; i < nodes; i++) {
    const first = root[island[i]]
    // The root of a block is its lowest node, so it has been numbered already.
    block[i] = first === i ? sizes.push(0) - 1 : block[first]
    if (island[i] !== i) row[i] = sizes[block[i]]++
  }
  const solution: Solution = {
    analysis,
    omega,
    components,
    island,
    blocks: sizes.map((n): Factor => ({ n, re: new Float64Array(n * n), im: new Float64Array(n * n) })),
    block,
    row,
    re: new Float64Array(nodes),
    im: new Float64Array(nodes),
  }
  assemble(solution, components)
  refreshSources(solution, components)
  return solution
}

/** Fills and factors the blocks of a solution, all of them or the ones named. Mutates the blocks. */
function assemble(
  { analysis, omega, row, block, blocks }: Solution,
  components: readonly Component[],
  only?: ReadonlySet<number>,
): void {
  blocks.forEach(({ re, im }, k) => {
    if (only && !only.has(k)) return
    re.fill(0)
    im.fill(0)
  })
  const y = newAdmittance()
  const add = (p: number, q: number, gr: number, gi: number) => {
    const i = row[p]!
    const j = row[q]!
    if (i < 0 || j < 0 || i < j || (only && !only.has(block[p]))) return
    const { n, re, im } = blocks[block[p]]
    re[i * n + j]! += gr
    im[i * n + j]! += gi
  }
  const branch = (a: number, b: number, gr: number, gi: number) => {
    add(a, a, gr, gi)
    add(b, b, gr, gi)
    add(a, b, -gr, -gi)
    add(b, a, -gr, -gi)
  }
  for (const c of components) {
    if (c.a === c.b && c.t !== 'T' && c.t !== 'RECT') continue
    admittanceOf(c, analysis, omega, y)
    branch(c.a, c.b, y.re, y.im)
    if (c.t === 'RECT') branch(c.c, c.d, y.re22, 0)
    if (c.t === 'T') {
      branch(c.c, c.d, y.re22, y.im22)
      if (analysis === 'dc') continue
      for (const [p, q, sign] of [
        [c.a, c.c, 1],
        [c.b, c.d, 1],
        [c.a, c.d, -1],
        [c.b, c.c, -1],
      ] as const) {
        add(p, q, sign * y.re12, sign * y.im12)
        add(q, p, sign * y.re12, sign * y.im12)
      }
    }
  }
  blocks.forEach((factor, k) => {
    if (only && !only.has(k)) return
    const bad = factorInPlace(factor)
    if (bad < 0) return
    const node = row.findIndex((r, i) => r === bad && block[i] === k)
    throw new InputError([
      problem('floating-node', ['circuit', node], {
        found: 'no way for current to return from it',
        expected: 'a closed loop',
      }),
    ])
  })
}

/**
 * Solves again where some resistances have changed as well as source voltages: only the blocks of the matrix that
 * the changed components lie in are factored anew. Mutates the solution. Cost n³/3 of those blocks.
 *
 * @param changed the components whose resistance has changed, as they are now
 */
export function refreshResistances(
  solution: Solution,
  components: readonly Component[],
  changed: readonly Component[],
): void {
  assemble(solution, components, new Set(changed.map((c) => solution.block[c.a])))
  refreshSources(solution, components)
}

/**
 * Solves again for changed source voltages on the same network (`components` must differ in `volts` alone).
 * Mutates `solution.re` and `solution.im`. Cost n².
 */
export function refreshSources(solution: Solution, components: readonly Component[]): void {
  const { row, block, blocks, analysis, omega } = solution
  const driven: ({ re: Float64Array; im: Float64Array } | undefined)[] = blocks.map(() => undefined)
  const y = newAdmittance()
  for (const c of components) {
    if (c.t !== 'VAC' && c.t !== 'VDC' && c.t !== 'RECT') continue
    const { amps } = admittanceOf(c, analysis, omega, y)
    if (amps === 0) continue
    const [plus, minus] = c.t === 'RECT' ? [c.c, c.d] : [c.a, c.b]
    const { n } = blocks[block[plus]]
    const { re } = (driven[block[plus]] ??= { re: new Float64Array(n), im: new Float64Array(n) })
    if (row[plus] >= 0) re[row[plus]] += amps
    if (row[minus] >= 0) re[row[minus]] -= amps
  }
  driven.forEach((x, k) => x && solveInPlace(blocks[k], x.re, x.im))
  for (let i = 0; i < row.length; i++) {
    const x = row[i] < 0 ? undefined : driven[block[i]]
    solution.re[i] = x ? x.re[row[i]] : 0
    solution.im[i] = x ? x.im[row[i]] : 0
  }
}

/** What a meter between nodes a and b is up against. Cost n². */
export function portAt(solution: Solution, a: number, b: number): Port {
  const { island, row, block, blocks, re, im } = solution
  const none = new Float64Array(0)
  if (island[a] !== island[b])
    return { re: 0, im: 0, zRe: 0, zIm: 0, connected: false, adjointRe: none, adjointIm: none }
  const factor = blocks[block[a]]
  const ur = new Float64Array(factor.n)
  const ui = new Float64Array(factor.n)
  if (row[a]! >= 0) ur[row[a]!]! += 1
  if (row[b]! >= 0) ur[row[b]!]! -= 1
  solveInPlace(factor, ur, ui)
  const adjointRe = new Float64Array(row.length)
  const adjointIm = new Float64Array(row.length)
  for (let i = 0; i < row.length; i++)
    if (row[i] >= 0 && block[i] === block[a]) {
      adjointRe[i] = ur[row[i]]
      adjointIm[i] = ui[row[i]]
    }
  return {
    re: re[a]! - re[b]!,
    im: im[a]! - im[b]!,
    zRe: adjointRe[a]! - adjointRe[b]!,
    zIm: adjointIm[a]! - adjointIm[b]!,
    connected: true,
    adjointRe,
    adjointIm,
  }
}

/** Magnitude of the voltage between two nodes; 0 between parts of the network that share no loop. */
export function voltsBetween(s: Solution, a: number, b: number): number {
  if (s.island[a] !== s.island[b]) return 0
  return Math.hypot(s.re[a]! - s.re[b]!, s.im[a]! - s.im[b]!)
}

/** Signed DC voltage from b to a. */
export function dcVoltsBetween(s: Solution, a: number, b: number): number {
  return s.island[a] === s.island[b] ? s.re[a]! - s.re[b]! : 0
}

/** Magnitude of the current through one component (its primary, for a transformer; its DC side, for a rectifier), amperes. */
export function ampsThrough(s: Solution, c: Component): number {
  const y = admittanceOf(c, s.analysis, s.omega, newAdmittance())
  if (c.t === 'RECT' && s.analysis === 'dc') return Math.abs(y.re22 * (s.re[c.c]! - s.re[c.d]!) - y.amps)
  const vr = s.re[c.a]! - s.re[c.b]!
  const vi = s.im[c.a]! - s.im[c.b]!
  let ir = y.re * vr - y.im * vi - y.amps
  let ii = y.re * vi + y.im * vr
  if (c.t === 'T') {
    const wr = s.re[c.c]! - s.re[c.d]!
    const wi = s.im[c.c]! - s.im[c.d]!
    ir += y.re12 * wr - y.im12 * wi
    ii += y.re12 * wi + y.im12 * wr
  }
  return Math.hypot(ir, ii)
}

/**
 * First-order change of the open-circuit voltage of a port when one component changes to `changed`.
 * Adjoint method: δV = uᵀ(δi − δY·x), with u the port's adjoint vector (Director & Rohrer 1969).
 *
 * @returns [δre, δim] in volts
 */
export function portChange(s: Solution, port: Port, before: Component, changed: Component): [number, number] {
  const y0 = admittanceOf(before, s.analysis, s.omega, newAdmittance())
  const y1 = admittanceOf(changed, s.analysis, s.omega, newAdmittance())
  const onDcSide = before.t === 'RECT' && s.analysis === 'dc'
  const [a, b] = onDcSide ? [before.c, before.d] : [before.a, before.b]
  const [ur, ui] = [port.adjointRe[a]! - port.adjointRe[b]!, port.adjointIm[a]! - port.adjointIm[b]!]
  const [xr, xi] = [s.re[a]! - s.re[b]!, s.im[a]! - s.im[b]!]
  const [gr, gi] = onDcSide ? [y1.re22 - y0.re22, 0] : [y1.re - y0.re, y1.im - y0.im]
  let jr = y1.amps - y0.amps - (gr * xr - gi * xi)
  let ji = -(gr * xi + gi * xr)
  let re = 0
  let im = 0
  if (before.t === 'T') {
    const { c, d } = before
    const [wr, wi] = [s.re[c]! - s.re[d]!, s.im[c]! - s.im[d]!]
    const [tr, ti] = [port.adjointRe[c]! - port.adjointRe[d]!, port.adjointIm[c]! - port.adjointIm[d]!]
    const [hr, hi] = [y1.re12 - y0.re12, y1.im12 - y0.im12]
    const [sr, si] = [y1.re22 - y0.re22, y1.im22 - y0.im22]
    jr -= hr * wr - hi * wi
    ji -= hr * wi + hi * wr
    const kr = -(hr * xr - hi * xi) - (sr * wr - si * wi)
    const ki = -(hr * xi + hi * xr) - (sr * wi + si * wr)
    re = tr * kr - ti * ki
    im = tr * ki + ti * kr
  }
  return [re + ur * jr - ui * ji, im + ur * ji + ui * jr]
}
