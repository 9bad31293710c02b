import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { predictiveGiven, unconditioned, withValue, type Conditioning } from '../../../core/diagnosis/belief'
import { binomial } from '../../../core/diagnosis/belief/likelihood'
import { STANDARD } from '../../../core/diagnosis/calibration'
import { binEdges, spreadOutcomes } from '../../../core/diagnosis/plan/bins'
import { normalCdf } from '../../../core/diagnosis/belief'
import type { Prediction, ValuePrediction } from '../../../core/diagnosis/predict'
import { sparse } from '../../../core/foundation/linear'

const PARAMS = 5
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const reading = fc.record({
  mean: number(-50, 50),
  sensitivity: fc.array(fc.oneof(fc.constant(0), number(-4, 4)), { minLength: PARAMS, maxLength: PARAMS }),
  repeatability: number(0.2, 2),
  more: number(0, 2),
  value: number(-60, 60),
  key: fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'),
})
type Drawn = typeof reading extends fc.Arbitrary<infer T> ? T : never
const predictionOf = (r: Drawn): ValuePrediction => ({
  type: 'value',
  mean: r.mean,
  sensitivity: sparse(Float64Array.from(r.sensitivity)),
  repeatability: r.repeatability,
  reproducibility: Math.hypot(r.repeatability, r.more),
})

/** Covariance written out from the model: θ shared by all, a constant error shared by one thing read twice, the rest new. */
const covarianceOf = (list: readonly Drawn[]): number[][] =>
  list.map((a, i) =>
    list.map(
      (b, j) =>
        a.sensitivity.reduce((s, x, k) => s + x * b.sensitivity[k]!, 0) +
        (a.key === b.key ? a.more * b.more : 0) +
        (i === j ? a.repeatability ** 2 : 0),
    ),
  )
/** A·x = b by Gaussian elimination with pivoting, and ln det A. */
function solve(a: number[][], b: number[]): { x: number[]; logDet: number } {
  const m = a.map((row, i) => [...row, b[i]!])
  let logDet = 0
  for (let k = 0; k < m.length; k++) {
    const pivot = m.slice(k).reduce((best, row, i) => (Math.abs(row[k]!) > Math.abs(m[best]![k]!) ? k + i : best), k)
    ;[m[k], m[pivot]] = [m[pivot]!, m[k]!]
    logDet += Math.log(Math.abs(m[k]![k]!))
    for (let i = 0; i < m.length; i++)
      if (i !== k) {
        const f = m[i]![k]! / m[k]![k]!
        for (let j = k; j <= m.length; j++) m[i]![j]! -= f * m[k]![j]!
      }
  }
  return { x: m.map((row, i) => row[m.length]! / row[i]!), logDet }
}
const logDensity = (list: readonly Drawn[]): number => {
  const r = list.map((x) => x.value - x.mean)
  const { x, logDet } = solve(covarianceOf(list), r)
  return -0.5 * (r.reduce((s, v, i) => s + v * x[i]!, 0) + logDet + list.length * Math.log(2 * Math.PI))
}
const condition = (list: readonly Drawn[]): Conditioning =>
  list.reduce((c, r) => withValue(c, predictionOf(r), r.value, r.key), unconditioned)

describe('readings given earlier ones', () => {
  it('one after another are the joint Gaussian, in any order', () => {
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 6 }), (list) => {
        const chained = (order: readonly Drawn[]) =>
          order.reduce((sum, r, i) => {
            const { mean, variance } = predictiveGiven(predictionOf(r), condition(order.slice(0, i)), r.key)
            return sum - 0.5 * ((r.value - mean) ** 2 / variance + Math.log(2 * Math.PI * variance))
          }, 0)
        const joint = logDensity(list)
        const near = 1e-6 * (1 + Math.abs(joint))
        expect(Math.abs(chained(list) - joint)).toBeLessThan(near)
        expect(Math.abs(chained(list.toReversed()) - joint)).toBeLessThan(near)
      }),
    )
  })
  it('never know more than what is new in each reading, and never less for having read', () => {
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 5 }), reading, (before, next) => {
        const p = predictionOf(next)
        const { variance } = predictiveGiven(p, condition(before), next.key)
        const alone = predictiveGiven(p, unconditioned, next.key).variance
        expect(variance).toBeGreaterThanOrEqual(next.repeatability ** 2 * (1 - 1e-12))
        expect(variance).toBeLessThanOrEqual(alone * (1 + 1e-12))
      }),
    )
  })
  it('leave the conditioning that they were taken from as it was', () => {
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 4 }), reading, (before, next) => {
        const c = condition(before)
        const kept = structuredClone(c)
        withValue(c, predictionOf(next), next.value, next.key)
        expect(c).toEqual(kept)
      }),
    )
  })
})

describe('chances', () => {
  it('the normal distribution function is the integral of its density', () => {
    const density = (x: number) => Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI)
    // Simpson from −8, steps of 0.01.
    let below = 0
    for (let k = 0; k < 1600; k++) {
      const x = -8 + 0.01 * k
      below += (0.01 / 6) * (density(x) + 4 * density(x + 0.005) + density(x + 0.01))
      expect(Math.abs(normalCdf(x + 0.01) - below)).toBeLessThan(1e-7)
    }
  })
  it('of so many clean sum to one, with the mean of a binomial', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), number(0.01, 0.99), (of, share) => {
        const all = Array.from({ length: of + 1 }, (_, clean) => binomial(clean, of, share))
        expect(all.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
        expect(all.reduce((sum, p, clean) => sum + p * clean, 0)).toBeCloseTo(of * share, 7)
      }),
    )
  })
  it('of the outcomes of a test sum to one, whatever it is and wherever the cuts are', () => {
    const prediction: fc.Arbitrary<Prediction> = fc.oneof(
      reading.map(predictionOf),
      number(0, 1).map((yes): Prediction => ({ type: 'sense', yes })),
      fc
        .record({ yes: number(0, 1), truth: fc.boolean() })
        .map((s): Prediction => ({ type: 'sense', sense: 'ear', ...s })),
      number(0, 1).map((clean): Prediction => ({ type: 'times', clean })),
      fc.constantFrom<Prediction>({ type: 'open' }, { type: 'never' }, { type: 'word', word: 'E5' }),
    )
    fc.assert(
      fc.property(
        prediction,
        fc.array(reading, { maxLength: 3 }),
        fc.array(fc.record({ mean: number(-50, 50), sd: number(0.1, 5) }), { maxLength: 30 }),
        (p, before, values) => {
          const edges = binEdges(values, STANDARD)
          expect(edges).toEqual([...edges].sort((a, b) => a - b))
          expect(edges.length).toBeLessThan(STANDARD.plan.bins)
          let sum = 0
          spreadOutcomes(p, condition(before), edges, 'x', STANDARD, (_, chance) => {
            expect(chance).toBeGreaterThanOrEqual(0)
            sum += chance
          })
          // What is left out is less than the least share that counts, for each bin.
          expect(Math.abs(sum - 1)).toBeLessThan(STANDARD.plan.bins * STANDARD.plan.negligibleBin + 1e-9)
        },
      ),
    )
  })
})
