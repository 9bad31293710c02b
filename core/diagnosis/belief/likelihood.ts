import { choleskyInPlace, dot, forwardSolve, type SparseVector } from '../../foundation/linear'
import { DRIFT, varianceOf, type Prediction } from '../predict'
import type { Dimension, ReadingValue } from '../../foundation/quantity'
import type { Conditioning, UnitSlip } from './types'

/** Chance that a reading says nothing about the machine: slipped probe, misread scale, wrong range. */
export const GROSS_ERROR = 0.02

/** Largest values in SI that a slip or an unlisted fault may show, uniformly. */
const CEILING: Partial<Record<Dimension, number>> = {
  voltage: 300,
  current: 20,
  pressure: 10e5,
  flow: 1e-3,
  length: 0.6,
  temperature: 120,
}
/** Chance that a value was written a thousand times too great or too small (k or m left out), either way. */
const SCALE_SLIP = 0.004
/** Chance that a temperature was read in °F and written as °C. */
const FAHRENHEIT_SLIP = 0.01

/** Ways in which a value is written wrong with its sense kept: what was meant, and how densities stretch with it. */
const WRITTEN_WRONG: readonly {
  type: UnitSlip
  chance: number
  only?: Dimension
  meant: (si: number) => number
  stretch: number
}[] = [
  { type: 'thousand-too-small', chance: SCALE_SLIP, meant: (si) => si * 1000, stretch: 1000 },
  { type: 'thousand-too-great', chance: SCALE_SLIP, meant: (si) => si / 1000, stretch: 1 / 1000 },
  // The number shown in °F was taken for °C: x °C stands for (x − 32)·5/9 °C.
  {
    type: 'fahrenheit',
    chance: FAHRENHEIT_SLIP,
    only: 'temperature',
    meant: (si) => ((si - 32) * 5) / 9,
    stretch: 5 / 9,
  },
]

const BEYOND = 0.01
const LOG_SPAN = Math.log(4e8)

/**
 * Density of a value when nothing is known of it, per SI unit: uniform up to a ceiling, or uniform in the
 * logarithm for ohms (0.1 Ω … 40 MΩ) and times (1 s … 2 h).
 */
export function broadDensity(value: number, dimension: Dimension): number {
  const ceiling = CEILING[dimension]
  // Beyond the ceiling hardly anything is ever shown: what stands there was written wrong.
  if (ceiling !== undefined) return Math.abs(value) <= ceiling ? 1 / ceiling : (BEYOND * ceiling) / value ** 2
  if (dimension === 'time') return 1 / (Math.max(value, 1) * Math.log(7200))
  return 1 / (Math.max(Math.abs(value), 0.1) * LOG_SPAN)
}

/** Share of unlisted faults that show a value, an open line, or that never get so far. */
const BROAD = { value: 0.75, open: 0.1, never: 0.15, yes: 0.5, word: 0.2 }

/** Chance that an unlisted fault shows in a part that is worked by hand. */
const ELSEWHERE = 0.1

/** Likelihood of a reading under "something else", the broad part. */
export function broadLikelihood(reading: ReadingValue, dimension: Dimension | undefined): number {
  switch (reading.type) {
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
    case 'times':
      // What no sheet lists seldom lies in the very switch that is being worked.
      return reading.clean === reading.of ? 1 - ELSEWHERE : ELSEWHERE / reading.of
    case 'could-not':
      return 1
  }
}

/**
 * Likelihood of taking a reading again and seeing this, whatever the cause: what stood there stands there still.
 *
 * @param floor of the instrument, SI
 */
export function againLikelihood(
  reading: ReadingValue,
  before: ReadingValue,
  dimension: Dimension | undefined,
  floor: number,
): number {
  const slip = GROSS_ERROR * broadLikelihood(reading, dimension)
  if (reading.type === 'value' && before.type === 'value') {
    const sd = Math.hypot(DRIFT * before.si, floor)
    return (1 - GROSS_ERROR) * normalDensity(reading.si, before.si, sd * sd) + slip
  }
  return JSON.stringify(reading) === JSON.stringify(before) ? 1 - GROSS_ERROR : slip
}

export const unconditioned: Conditioning = { used: [], factor: new Float64Array(0), dull: {} }

/**
 * The answers of one sense in a visit are not independent witnesses: whoever hears badly hears everything badly. A
 * sense is keen or dull; its usual error rates are the mean of the two.
 */
const DULL = { share: 0.2, errs: 2.6 }
const KEEN_ERRS = (1 - DULL.share * DULL.errs) / (1 - DULL.share)

type SensePrediction = Prediction & { type: 'sense' }

/** Chance of a yes from a keen and from a dull sense. */
function yesFrom(p: SensePrediction): { keen: number; dull: number } {
  const wrong = p.truth ? 1 - p.yes : p.yes
  const at = (errs: number) => (p.truth ? 1 - Math.min(0.5, wrong * errs) : Math.min(0.5, wrong * errs))
  return { keen: at(KEEN_ERRS), dull: at(DULL.errs) }
}

/** Chance of a yes, given what the same sense has answered so far. */
export function chanceOfYes(p: SensePrediction, { dull }: Conditioning): number {
  if (p.sense === undefined) return p.yes
  const share = dull[p.sense] ?? DULL.share
  const yes = yesFrom(p)
  return (1 - share) * yes.keen + share * yes.dull
}

/** The condition with one more answer of a sense. */
export function withAnswer(c: Conditioning, p: SensePrediction, yes: boolean): Conditioning {
  if (p.sense === undefined) return c
  const share = c.dull[p.sense] ?? DULL.share
  const from = yesFrom(p)
  const [keen, dull] = [from.keen, from.dull].map((q) => (yes ? q : 1 - q))
  const all = (1 - share) * keen + share * dull
  return { ...c, dull: { ...c.dull, [p.sense]: (share * dull) / all } }
}

const product = (a: Float64Array, b: Float64Array): number => {
  let s = 0
  for (let i = 0; i < a.length; i++) s += a[i] * b[i]
  return s
}

/** What of a reading's noise is the same when the same thing is read again in the same way, one sd. */
const reproducible = ({ reproducibility, repeatability }: { reproducibility: number; repeatability: number }): number =>
  Math.sqrt(Math.max(0, reproducibility * reproducibility - repeatability * repeatability))

interface Spread {
  sensitivity: SparseVector
  reproducibility: number
  repeatability: number
  key?: string
}
/** What two readings share: parameters, and when it is one thing read twice, the noise that stands. */
const covariance = (a: Spread, b: Spread): number =>
  dot(a.sensitivity, b.sensitivity) + (a.key !== undefined && a.key === b.key ? reproducible(a) * reproducible(b) : 0)

/**
 * Mean and variance of a predicted value given the values already explained: ordinary Gaussian conditioning,
 * mean + kᵀC⁻¹r and k₀ − kᵀC⁻¹k (Rasmussen & Williams 2006, eq. 2.19).
 *
 * @param key of the reading, as the earlier ones have it: what has been read before hardly scatters anew
 */
export function predictiveGiven(
  p: Prediction & { type: 'value' },
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

/** The condition with one more explained value. */
export function withValue(
  c: Conditioning,
  p: Prediction & { type: 'value' },
  value: number,
  key: string,
): Conditioning {
  const used = [
    ...c.used,
    {
      sensitivity: p.sensitivity,
      residual: value - p.mean,
      reproducibility: p.reproducibility,
      repeatability: p.repeatability,
      key,
    },
  ]
  const n = used.length
  const a = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++)
      a[i * n + j] = covariance(used[i], used[j]) + (i === j ? used[i].repeatability ** 2 : 0)
  if (!choleskyInPlace(a, n)) return c
  return { ...c, used, factor: a }
}

export const normalDensity = (x: number, mean: number, variance: number): number =>
  Math.exp((-(x - mean) * (x - mean)) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance)

/** Chance of so many clean out of so many, each by itself. */
export function binomial(clean: number, of: number, share: number): number {
  let log = clean * Math.log(Math.max(share, 1e-12)) + (of - clean) * Math.log(Math.max(1 - share, 1e-12))
  for (let i = 1; i <= of - clean; i++) log += Math.log((clean + i) / i)
  return Math.exp(log)
}

/** How well a member explains a reading. */
export interface Fit {
  /** Likelihood; a density per SI unit for values. */
  likelihood: number
  /** Whether the member explains the value itself. */
  explains: boolean
  /** Share of the likelihood that takes the reading for a slip, 0 … 1. */
  grossError: number
  /** The slip that keeps its sense, where that explains it best. */
  unitSlip: UnitSlip | undefined
}

const none: Pick<Fit, 'explains' | 'grossError' | 'unitSlip'> = { explains: false, grossError: 0, unitSlip: undefined }
const slipped = (l: number): Fit => ({ likelihood: l, explains: false, grossError: 1, unitSlip: undefined })

/** Likelihood of one reading under one member, given the member's earlier readings. */
export function likelihood(
  p: Prediction,
  reading: ReadingValue,
  dimension: Dimension | undefined,
  condition: Conditioning,
  key?: string,
): Fit {
  if (reading.type === 'could-not') return { ...none, likelihood: 1 }
  const slip = GROSS_ERROR * broadLikelihood(reading, dimension)
  switch (p.type) {
    case 'value': {
      if (reading.type !== 'value') return slipped(slip)
      const { mean, variance } = predictiveGiven(p, condition, key)
      const fit = (1 - GROSS_ERROR) * normalDensity(reading.si, mean, variance)
      let all = fit + slip
      let best = fit
      let misread: UnitSlip | undefined
      for (const way of WRITTEN_WRONG) {
        if (way.only !== undefined && way.only !== dimension) continue
        const wrong = way.chance * way.stretch * normalDensity(way.meant(reading.si), mean, variance)
        all += wrong
        if (wrong > best && wrong > slip) [best, misread] = [wrong, way.type]
      }
      return { likelihood: all, explains: fit > 0.5 * all, grossError: 1 - fit / all, unitSlip: misread }
    }
    case 'open':
      if (reading.type === 'open') return { ...none, likelihood: 1 - GROSS_ERROR }
      // A hand on the probes or a damp terminal shows megohms instead of OL.
      if (reading.type === 'value' && reading.si > 1e6)
        return { ...none, likelihood: 0.05 * broadDensity(reading.si, 'resistance') }
      return slipped(slip)
    case 'never':
      return reading.type === 'never' ? { ...none, likelihood: 1 - GROSS_ERROR } : slipped(slip)
    case 'sense': {
      if (reading.type !== 'yes' && reading.type !== 'no') return slipped(slip)
      const yes = chanceOfYes(p, condition)
      const l = reading.type === 'yes' ? yes : 1 - yes
      // A sense that said what it seldom says there was mistaken, if this is how the machine is.
      return { ...none, likelihood: l, grossError: 1 - l }
    }
    case 'times':
      return reading.type === 'times'
        ? { ...none, likelihood: binomial(reading.clean, reading.of, p.clean) }
        : slipped(slip)
    case 'word':
      return reading.type === 'word' && reading.word === p.word
        ? { ...none, likelihood: 1 - GROSS_ERROR }
        : slipped(slip)
  }
}
