import { choleskyInPlace, dot, forwardSolve, type SparseVector } from '../../foundation/linear'
import type { Sense } from '../../model/kinds'
import { varianceOf, type ValuePrediction } from '../predict'

/** What a value has in common with others, and what of its error is its own. */
interface Spread {
  sensitivity: SparseVector
  reproducibility: number
  repeatability: number
  /** Names the reading: two with one key are one thing read twice. */
  key?: string
}

/** A hypothesis's readings so far, ready to predict the next one. */
export interface Conditioning {
  /** Values already explained (gross errors left out), with observed − predicted. */
  used: (Spread & { residual: number; key: string })[]
  /** Cholesky factor of their covariance, row-major. */
  factor: Float64Array
  /** Chance that each sense is dull in this visit; where nothing was asked of it, as usual. */
  dull: Readonly<Partial<Record<Sense, number>>>
}

export const unconditioned: Conditioning = { used: [], factor: new Float64Array(0), dull: {} }

/** What of a reading's error is the same when the same thing is read again in the same way, one standard deviation. */
const constantError = ({ reproducibility, repeatability }: Spread): number =>
  Math.sqrt(Math.max(0, reproducibility * reproducibility - repeatability * repeatability))

/** What two readings share: parameters, and when it is one thing read twice, the error that stays. */
const covariance = (a: Spread, b: Spread): number =>
  dot(a.sensitivity, b.sensitivity) + (a.key !== undefined && a.key === b.key ? constantError(a) * constantError(b) : 0)

function product(a: Float64Array, b: Float64Array): number {
  let s = 0
  for (let i = 0; i < a.length; i++) s += a[i] * b[i]
  return s
}

/**
 * Predictive distribution of a value given those already explained: ordinary Gaussian conditioning, mean + kᵀC⁻¹r and
 * k₀ − kᵀC⁻¹k (Rasmussen & Williams 2006, eq. 2.19). SI.
 *
 * @param key of the reading, as the earlier ones have it: what has been read before hardly scatters anew
 */
export function predictiveGiven(
  p: ValuePrediction,
  { used, factor }: Pick<Conditioning, 'used' | 'factor'>,
  key?: string,
): { mean: number; variance: number } {
  const own = varianceOf(p)
  const n = used.length
  if (n === 0) return { mean: p.mean, variance: own }
  const k = Float64Array.from(used, (u) => covariance(u, { ...p, key }))
  const r = Float64Array.from(used, (u) => u.residual)
  forwardSolve(factor, n, k)
  forwardSolve(factor, n, r)
  return { mean: p.mean + product(k, r), variance: Math.max(own - product(k, k), p.repeatability * p.repeatability) }
}

/** The conditioning with one more explained value, SI. Pure: the one given stays as it is. */
export function withValue(c: Conditioning, p: ValuePrediction, value: number, key: string): Conditioning {
  const { sensitivity, reproducibility, repeatability } = p
  const used = [...c.used, { sensitivity, residual: value - p.mean, reproducibility, repeatability, key }]
  const n = used.length
  const a = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++)
      a[i * n + j] = covariance(used[i], used[j]) + (i === j ? used[i].repeatability ** 2 : 0)
  if (!choleskyInPlace(a, n)) return c
  return { ...c, used, factor: a }
}
