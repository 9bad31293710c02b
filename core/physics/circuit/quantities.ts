import { admittanceOf, newAdmittance, type Component } from './components'
import type { Solution } from './solve'

/** Magnitude of the voltage between two nodes; 0 between parts of the network that share no loop. */
export function voltsBetween(s: Solution, a: number, b: number): number {
  if (s.island[a] !== s.island[b]) return 0
  return Math.hypot(s.re[a] - s.re[b], s.im[a] - s.im[b])
}

/** Signed DC voltage of a against b, V; 0 between islands. */
export function dcVoltsBetween(s: Solution, a: number, b: number): number {
  return s.island[a] === s.island[b] ? s.re[a] - s.re[b] : 0
}

/** Magnitude of the current through one component (its primary, for a transformer; its DC side, for a rectifier), A. */
export function ampsThrough(s: Solution, c: Component): number {
  const y = admittanceOf(c, s.analysis, s.omega, newAdmittance())
  if (c.type === 'RECT' && s.analysis === 'dc') return Math.abs(y.re22 * (s.re[c.c] - s.re[c.d]) - y.amps)
  const vr = s.re[c.a] - s.re[c.b]
  const vi = s.im[c.a] - s.im[c.b]
  let ir = y.re * vr - y.im * vi - y.amps
  let ii = y.re * vi + y.im * vr
  if (c.type === 'T') {
    const wr = s.re[c.c] - s.re[c.d]
    const wi = s.im[c.c] - s.im[c.d]
    ir += y.re12 * wr - y.im12 * wi
    ii += y.re12 * wi + y.im12 * wr
  }
  return Math.hypot(ir, ii)
}
