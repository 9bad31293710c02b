import { solveInPlace } from '../../foundation/linear'
import { admittanceOf, newAdmittance, type Component } from './components'
import type { Solution } from './solve'

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

/** What a meter between nodes a and b is up against. Cost n². */
export function portBetween(solution: Solution, a: number, b: number): Port {
  const { island, row, block, blocks, re, im } = solution
  const none = new Float64Array(0)
  if (island[a] !== island[b])
    return { re: 0, im: 0, zRe: 0, zIm: 0, connected: false, adjointRe: none, adjointIm: none }
  const factor = blocks[block[a]]
  const ur = new Float64Array(factor.n)
  const ui = new Float64Array(factor.n)
  if (row[a] >= 0) ur[row[a]] += 1
  if (row[b] >= 0) ur[row[b]] -= 1
  solveInPlace(factor, ur, ui)
  const adjointRe = new Float64Array(row.length)
  const adjointIm = new Float64Array(row.length)
  for (let i = 0; i < row.length; i++)
    if (row[i] >= 0 && block[i] === block[a]) {
      adjointRe[i] = ur[row[i]]
      adjointIm[i] = ui[row[i]]
    }
  return {
    re: re[a] - re[b],
    im: im[a] - im[b],
    zRe: adjointRe[a] - adjointRe[b],
    zIm: adjointIm[a] - adjointIm[b],
    connected: true,
    adjointRe,
    adjointIm,
  }
}

/**
 * First-order change of the open-circuit voltage of a port when one component changes to `changed`.
 * Adjoint method: δV = uᵀ(δi − δY·x), with u the port's adjoint vector (Director & Rohrer 1969).
 *
 * @returns [δre, δim] in volts
 */
export function portVoltageChange(s: Solution, port: Port, before: Component, changed: Component): [number, number] {
  const y0 = admittanceOf(before, s.analysis, s.omega, newAdmittance())
  const y1 = admittanceOf(changed, s.analysis, s.omega, newAdmittance())
  const onDcSide = before.type === 'RECT' && s.analysis === 'dc'
  const [a, b] = onDcSide ? [before.c, before.d] : [before.a, before.b]
  const [ur, ui] = [port.adjointRe[a] - port.adjointRe[b], port.adjointIm[a] - port.adjointIm[b]]
  const [xr, xi] = [s.re[a] - s.re[b], s.im[a] - s.im[b]]
  const [gr, gi] = onDcSide ? [y1.re22 - y0.re22, 0] : [y1.re - y0.re, y1.im - y0.im]
  let jr = y1.amps - y0.amps - (gr * xr - gi * xi)
  let ji = -(gr * xi + gi * xr)
  let re = 0
  let im = 0
  if (before.type === 'T') {
    const { c, d } = before
    const [wr, wi] = [s.re[c] - s.re[d], s.im[c] - s.im[d]]
    const [tr, ti] = [port.adjointRe[c] - port.adjointRe[d], port.adjointIm[c] - port.adjointIm[d]]
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

/** More (or, negative, less) conductance between two nodes, S. */
export interface ConductanceChange {
  a: number
  b: number
  siemens: number
}

/**
 * What becomes of a DC network of resistances when some of its components change.
 *
 * @param before components, and `after` the same ones as they are then, one by one
 * @returns the branches that differ; `undefined` when the lists do not match in number, order and nodes
 */
export function conductanceChanges(
  before: readonly Component[],
  after: readonly Component[],
): ConductanceChange[] | undefined {
  if (before.length !== after.length) return undefined
  const out: ConductanceChange[] = []
  const [y0, y1] = [newAdmittance(), newAdmittance()]
  for (let i = 0; i < before.length; i++) {
    const [was, is] = [before[i], after[i]]
    if (was === is) continue
    if (was.type !== is.type || was.a !== is.a || was.b !== is.b) return undefined
    admittanceOf(was, 'dc', 0, y0)
    admittanceOf(is, 'dc', 0, y1)
    if (y1.re !== y0.re) out.push({ a: is.a, b: is.b, siemens: y1.re - y0.re })
    if (is.type === 'T' && y1.re22 !== y0.re22) out.push({ a: is.c, b: is.d, siemens: y1.re22 - y0.re22 })
  }
  return out
}

/**
 * Exact change of the DC resistance between the points of a port, Ω, when the conductance of one branch changes
 * (Sherman & Morrison 1950): δR = −δG·u²/(1 + δG·r), with u the port's adjoint across the branch and r the
 * resistance that the branch is up against. Cost n², and nothing where the branch is out of the port's loops.
 */
export function portResistanceChange(s: Solution, port: Port, { a, b, siemens }: ConductanceChange): number {
  const across = port.adjointRe[a] - port.adjointRe[b]
  if (across === 0) return 0
  return (-siemens * across * across) / (1 + siemens * portBetween(s, a, b).zRe)
}
