import type { Calibration } from '../calibration'
import { chanceOfYes, normalCdf, predictiveGiven, type Conditioning } from '../belief'
import type { Prediction } from '../predict'

/** What a reading comes to, as far as it tells. */
export interface Shown {
  /** Range of values in SI, or the kind of outcome. */
  type: 'value' | 'open' | 'never' | 'never-ended' | 'yes' | 'no' | 'word' | 'times'
  low: number
  high: number
  word: string | undefined
}

export interface TestOutcome {
  p: number
  /** One for each row of a strip, one alone for a single reading; none for all that is left over. */
  shown: readonly Shown[]
  /** Posterior after this outcome, by place in the belief, among what the sheet lists. */
  after: Float64Array
  /** Probability that the cause is an unknown fault and this is shown. */
  unknownFault: number
}

/**
 * Cuts the axis between clusters of predicted values so that each bin holds what a reading could not tell apart.
 *
 * @param values predicted values and their spreads, SI
 * @returns edges between the bins, ascending, SI; none where all is one cluster
 */
export function binEdges(values: { mean: number; sd: number }[], calibration: Calibration): number[] {
  const { bins, cutFrom } = calibration.plan
  const sorted = [...values].sort((a, b) => a.mean - b.mean)
  const cuts: { at: number; gap: number }[] = []
  for (let i = 1; i < sorted.length; i++) {
    const [a, b] = [sorted[i - 1], sorted[i]]
    const gap = (b.mean - a.mean) / (a.sd + b.sd)
    if (gap > cutFrom) cuts.push({ at: a.mean + ((b.mean - a.mean) * a.sd) / (a.sd + b.sd), gap })
  }
  return cuts
    .sort((a, b) => b.gap - a.gap)
    .slice(0, bins - 1)
    .map((c) => c.at)
    .sort((a, b) => a - b)
}

export interface Bin extends Shown {
  key: string
}
const PLAIN = { low: NaN, high: NaN, word: undefined }

/** Calls `put` with each outcome that a prediction may lead to and its chance. */
export function spreadOutcomes(
  prediction: Prediction,
  conditioning: Conditioning,
  edges: readonly number[],
  key: string,
  calibration: Calibration,
  put: (bin: Bin, chance: number) => void,
): void {
  const { timesWorked, negligibleBin } = calibration.plan
  switch (prediction.type) {
    case 'value': {
      const { mean, variance } = predictiveGiven(prediction, conditioning, key)
      const sd = Math.sqrt(variance)
      let below = 0
      for (let k = 0; k <= edges.length; k++) {
        const upto = k < edges.length ? normalCdf((edges[k] - mean) / sd) : 1
        // A bin that a hypothesis hardly ever falls into is not worth a row.
        if (upto - below > negligibleBin) {
          const [low, high] = [k ? edges[k - 1] : -Infinity, edges[k] ?? Infinity]
          put({ key: `v${k}`, type: 'value', low, high, word: undefined }, upto - below)
        }
        below = upto
      }
      return
    }
    case 'sense': {
      const yes = chanceOfYes(prediction, conditioning, calibration.belief)
      put({ key: 'yes', type: 'yes', ...PLAIN }, yes)
      put({ key: 'no', type: 'no', ...PLAIN }, 1 - yes)
      return
    }
    case 'times': {
      const whole = prediction.clean ** timesWorked
      put({ key: 'clean', type: 'times', ...PLAIN, low: timesWorked, high: timesWorked }, whole)
      put({ key: 'missed', type: 'times', ...PLAIN, low: 0, high: timesWorked - 1 }, 1 - whole)
      return
    }
    case 'word':
      put({ key: `w${prediction.word}`, type: 'word', ...PLAIN, word: prediction.word }, 1)
      return
    default:
      put({ key: prediction.type, type: prediction.type, ...PLAIN }, 1)
  }
}
