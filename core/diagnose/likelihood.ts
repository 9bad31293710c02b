import { choleskyInPlace, forwardSolve } from '../linear'
import type { Prediction } from '../predict'
import type { Dimension, ReadingValue } from '../quantity'
import type { Condition } from './types'

/** Chance that a reading says nothing about the machine: slipped probe, misread scale, wrong range. */
export const SLIP = 0.02

/** Largest values in SI that a slip or an unlisted fault may show, uniformly. */
const CEILING: Partial<Record<Dimension, number>> = {
  voltage: 300,
  current: 20,
  pressure: 10e5,
  flow: 1e-3,
  length: 0.6,
  temperature: 120,
}
const LOG_SPAN = Math.log(4e8)

/**
 * Density of a value when nothing is known of it, per SI unit: uniform up to a ceiling, or uniform in the
 * logarithm for ohms (0.1 Ω … 40 MΩ) and times (1 s … 2 h).
 */
export function broadDensity(value: number, dimension: Dimension): number {
  const ceiling = CEILING[dimension]
  if (ceiling !== undefined) return 1 / ceiling
  if (dimension === 'time') return 1 / (Math.max(value, 1) * Math.log(7200))
  return 1 / (Math.max(Math.abs(value), 0.1) * LOG_SPAN)
}

/** Share of unlisted faults that show a value, an open line, or that never get so far. */
const BROAD = { value: 0.6, open: 0.25, never: 0.15, yes: 0.5, word: 0.2 }

/** Likelihood of a reading under "something else", the broad part. */
export function broadLikelihood(reading: ReadingValue, dimension: Dimension | undefined): number {
  switch (reading.is) {
    case 'value':
      return BROAD.value * broadDensity(reading.si, dimension ?? 'count')
    case 'open':
      return BROAD.open
    case 'never':
      return BROAD.never
    case 'yes':
    case 'no':
      return BROAD.yes
    case 'word':
      return BROAD.word
    case 'could-not':
      return 1
  }
}

export const noCondition: Condition = { used: [], factor: new Float64Array(0) }

/** Dot product of two sensitivities: the covariance that two readings share. */
export function shared(a: Float64Array, b: Float64Array): number {
  let s = 0
  for (let i = 0; i < a.length; i++) s += a[i] * b[i]
  return s
}

/**
 * Mean and variance of a predicted value given the values already explained: ordinary Gaussian conditioning,
 * mean + kᵀC⁻¹r and k₀ − kᵀC⁻¹k (Rasmussen & Williams 2006, eq. 2.19).
 */
export function conditional(
  p: Prediction & { is: 'value' },
  { used, factor }: Condition,
): { mean: number; variance: number } {
  const own = shared(p.sensitivity, p.sensitivity) + p.noise * p.noise
  const n = used.length
  if (n === 0) return { mean: p.mean, variance: own }
  const k = Float64Array.from(used, (u) => shared(u.sensitivity, p.sensitivity))
  const r = Float64Array.from(used, (u) => u.residual)
  forwardSolve(factor, n, k)
  forwardSolve(factor, n, r)
  return { mean: p.mean + shared(k, r), variance: Math.max(own - shared(k, k), p.noise * p.noise * 0.5) }
}

/** The condition with one more explained value. */
export function withValue(c: Condition, p: Prediction & { is: 'value' }, value: number, key: string): Condition {
  const used = [...c.used, { sensitivity: p.sensitivity, residual: value - p.mean, noise: p.noise, key }]
  const n = used.length
  const a = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++)
      a[i * n + j] = shared(used[i].sensitivity, used[j].sensitivity) + (i === j ? used[i].noise ** 2 : 0)
  if (!choleskyInPlace(a, n)) return c
  return { used, factor: a }
}

export const normalDensity = (x: number, mean: number, variance: number): number =>
  Math.exp((-(x - mean) * (x - mean)) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance)

/**
 * Likelihood of one reading under one member, given the member's earlier readings.
 *
 * @returns the likelihood (a density per SI unit for values) and whether the member explains the value itself
 */
export function likelihood(
  p: Prediction,
  reading: ReadingValue,
  dimension: Dimension | undefined,
  condition: Condition,
): { l: number; explains: boolean } {
  if (reading.is === 'could-not') return { l: 1, explains: false }
  const slip = SLIP * broadLikelihood(reading, dimension)
  switch (p.is) {
    case 'value': {
      if (reading.is !== 'value') return { l: slip, explains: false }
      const { mean, variance } = conditional(p, condition)
      const fit = (1 - SLIP) * normalDensity(reading.si, mean, variance)
      return { l: fit + slip, explains: fit > slip }
    }
    case 'open':
      if (reading.is === 'open') return { l: 1 - SLIP, explains: false }
      // A hand on the probes or a damp terminal shows megohms instead of OL.
      if (reading.is === 'value' && reading.si > 1e6)
        return { l: 0.05 * broadDensity(reading.si, 'resistance'), explains: false }
      return { l: slip, explains: false }
    case 'never':
      return { l: reading.is === 'never' ? 1 - SLIP : slip, explains: false }
    case 'sense':
      if (reading.is === 'yes') return { l: p.yes, explains: false }
      if (reading.is === 'no') return { l: 1 - p.yes, explains: false }
      return { l: slip, explains: false }
    case 'word':
      return { l: reading.is === 'word' && reading.word === p.word ? 1 - SLIP : slip, explains: false }
  }
}
