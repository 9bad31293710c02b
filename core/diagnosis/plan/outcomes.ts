import { chanceOfYes, predictiveGiven, unknownFaultShares, readingKey, type Belief, type Conditioning } from '../belief'
import type { Intervention } from '../../model/machine'
import type { Prediction, Predictor } from '../predict'
import type { Procedure } from '../catalogue'

/** Members below this posterior do not count when tests are compared. */
export const NEGLIGIBLE_POSTERIOR = 2e-3
const BINS = 12
const SCARCELY = 1e-6
/** A healthy machine shows something else there when it does so with at least this chance. */
const APART = 0.5
/** Times that a switch is worked when nobody says otherwise. */
export const WORKED = 10

export interface TestOutcome {
  p: number
  /** Range of values in SI, or the kind of outcome. */
  type: 'value' | 'open' | 'never' | 'yes' | 'no' | 'word' | 'times'
  low: number
  high: number
  word: string | undefined
  /** Posterior after this outcome, by place in the belief, among what the sheet lists. */
  after: Float64Array
  /** Probability that the cause is something else and this is shown. */
  unknownFault: number
}

function erf(x: number): number {
  // Abramowitz & Stegun 7.1.26, absolute error below 1.5e-7.
  const t = 1 / (1 + 0.3275911 * Math.abs(x))
  const y =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x)
  return x < 0 ? -y : y
}
const normalCdf = (z: number): number => 0.5 * (1 + erf(z / Math.SQRT2))

/** Cuts the axis between clusters of predicted values so that each bin holds what a reading could not tell apart. */
function binEdges(values: { mean: number; sd: number }[]): number[] {
  const sorted = [...values].sort((a, b) => a.mean - b.mean)
  const cuts: { at: number; gap: number }[] = []
  for (let i = 1; i < sorted.length; i++) {
    const [a, b] = [sorted[i - 1], sorted[i]]
    const gap = (b.mean - a.mean) / (a.sd + b.sd)
    if (gap > 0.5) cuts.push({ at: a.mean + ((b.mean - a.mean) * a.sd) / (a.sd + b.sd), gap })
  }
  return cuts
    .sort((a, b) => b.gap - a.gap)
    .slice(0, BINS - 1)
    .map((c) => c.at)
    .sort((a, b) => a - b)
}

interface Bin extends Omit<TestOutcome, 'p' | 'after' | 'unknownFault'> {
  key: string
}
const PLAIN = { low: NaN, high: NaN, word: undefined }

/** Calls `put` with each outcome that a prediction may lead to and its chance. */
function spread(
  prediction: Prediction,
  conditioning: Conditioning,
  edges: readonly number[],
  key: string,
  put: (bin: Bin, chance: number) => void,
): void {
  switch (prediction.type) {
    case 'value': {
      const { mean, variance } = predictiveGiven(prediction, conditioning, key)
      const sd = Math.sqrt(variance)
      let below = 0
      for (let k = 0; k <= edges.length; k++) {
        const upto = k < edges.length ? normalCdf((edges[k] - mean) / sd) : 1
        // A bin that a member hardly ever falls into is not worth a row.
        if (upto - below > SCARCELY) {
          const [low, high] = [k ? edges[k - 1] : -Infinity, edges[k] ?? Infinity]
          put({ key: `v${k}`, type: 'value', low, high, word: undefined }, upto - below)
        }
        below = upto
      }
      return
    }
    case 'sense': {
      const yes = chanceOfYes(prediction, conditioning)
      put({ key: 'yes', type: 'yes', ...PLAIN }, yes)
      put({ key: 'no', type: 'no', ...PLAIN }, 1 - yes)
      return
    }
    case 'times': {
      const whole = prediction.clean ** WORKED
      put({ key: 'clean', type: 'times', ...PLAIN, low: WORKED, high: WORKED }, whole)
      put({ key: 'missed', type: 'times', ...PLAIN, low: 0, high: WORKED - 1 }, 1 - whole)
      return
    }
    case 'word':
      put({ key: `w${prediction.word}`, type: 'word', ...PLAIN, word: prediction.word }, 1)
      return
    default:
      put({ key: prediction.type, type: prediction.type, ...PLAIN }, 1)
  }
}

/**
 * Distinct outcomes of a test under a belief, each with its probability and the posterior it would leave. What only a
 * healthy machine shows there is an outcome as well: it would say that the cause is something else.
 */
export function testOutcomes(
  predictor: Predictor,
  belief: Belief,
  procedure: Procedure,
  interventions: readonly Intervention[] = [],
): TestOutcome[] {
  const rows: { i: number; p: number; prediction: Prediction }[] = []
  const key = readingKey({ procedure, meter: undefined, interventions })
  const values: { mean: number; sd: number }[] = []
  belief.hypotheses.forEach((m, i) => {
    if (belief.posterior[i] < NEGLIGIBLE_POSTERIOR) return
    const prediction = predictor.predictCoarse(m, procedure, interventions)
    rows.push({ i, p: belief.posterior[i], prediction })
    if (prediction.type !== 'value') return
    const { mean, variance } = predictiveGiven(prediction, belief.conditionings[i], key)
    values.push({ mean, sd: Math.sqrt(variance) })
  })
  const edges = binEdges(values)
  const bins = new Map<string, TestOutcome>()
  let listed = 0
  for (const { i, p, prediction } of rows)
    spread(prediction, belief.conditionings[i], edges, key, ({ key: bin, ...shown }, chance) => {
      if (chance <= 0) return
      let o = bins.get(bin)
      if (!o)
        bins.set(bin, (o = { ...shown, p: 0, unknownFault: 0, after: new Float64Array(belief.hypotheses.length) }))
      o.p += p * chance
      o.after[i] += p * chance
      listed += p * chance
    })
  const all = [...bins.values()]
  for (const o of all) for (let i = 0; i < o.after.length; i++) o.after[i] /= o.p
  // What something else would show: what the machine shows there when it is well, or what the listed causes show.
  const { healthy: asWell, mixture } = unknownFaultShares(procedure)
  const well = (belief.unknownFault * asWell) / (asWell + mixture)
  for (const o of all) o.unknownFault = (belief.unknownFault - well) * (o.p / listed)
  const healthy = predictor.predictCoarse(belief.hypotheses[0], procedure, interventions)
  spread(healthy, belief.conditionings[0], edges, key, ({ key: bin, ...shown }, chance) => {
    const other = well * chance
    const o = bins.get(bin)
    if (o) o.unknownFault += other
    else if (chance > APART)
      all.push({ ...shown, p: 0, unknownFault: other, after: new Float64Array(belief.hypotheses.length) })
  })
  return all
}
