import type { Hypothesis } from '../hypotheses'
import type { Predictor } from '../predict'
import { chanceSaid } from './circumstances'
import { pairBounds } from './pair-bounds'
import { scoreHypothesis, type HypothesisScore } from './score-hypothesis'
import type { Case, ContextualReading } from './types'

export type Scores = Map<Hypothesis, HypothesisScore>

export interface PairsRun {
  /** Those made, in the order of their bounds. */
  pairs: Hypothesis[]
  /** Logarithm that the sums below are over. */
  likeliest: number
  /** Upper bound of the pairs not made, and the share of their bound that the last ones made came to. */
  bound: number
  reached: number
}

/** Logarithm of the likelihood of each piece of evidence under a single fault; -Infinity after its repair. */
function logsOf(
  hypothesis: Hypothesis,
  { complaintLikelihoods, readingLikelihoods }: HypothesisScore,
  c: Case,
  readings: readonly ContextualReading[],
): Float64Array {
  const { curedBy } = hypothesis.activeFaults[0].fault
  const likelihoods = [...complaintLikelihoods, ...readingLikelihoods]
  // After its repair a fault explains nothing any more, but what it was said with.
  const shown = [...c.complaints, ...readings].map(({ interventions }, k) =>
    interventions.some((e) => e.repair !== undefined && curedBy.includes(e.repair))
      ? -Infinity
      : Math.log(likelihoods[k]),
  )
  const said = (c.circumstances ?? []).map((x) => Math.log(chanceSaid(hypothesis, x)))
  return Float64Array.from([...said, ...shown])
}

/**
 * Runs pairs of faults as pairs in one machine, in the order of their upper bounds, until what is left of them is little
 * beside what is known.
 *
 * @param scores of the single hypotheses; those of the pairs are added
 * @param most pairs to run; more after a repair, and where those not run would weigh more than all that is known
 */
export function runPairs(
  predictor: Predictor,
  c: Case,
  readings: readonly ContextualReading[],
  singles: readonly Hypothesis[],
  scores: Scores,
  most: number,
): PairsRun {
  const { afterRepair, pairBatch, truncatedLeft, truncatedMuch, boundReached, boundReachedLeast, togetherYears } =
    predictor.calibration.belief
  const faulty = singles
    .filter((m) => m.activeFaults.length === 1)
    .map((hypothesis) => ({ hypothesis, logs: logsOf(hypothesis, scores.get(hypothesis)!, c, readings) }))
  // Without a reading there is little to tell pairs apart by: one batch shows how far they come. After a repair they are what is left.
  const usual = readings.length ? most : Math.min(most, pairBatch)
  const wanted = readings.length || c.repairs.length ? afterRepair * most : usual
  const { drafts, likeliest, total } = pairBounds(faulty, wanted, togetherYears)
  const pairs: Hypothesis[] = []
  let bound = total
  // How far pairs stay under their bound: what the last batch came to.
  let reached = boundReached
  while (pairs.length < drafts.length) {
    const known = [...singles, ...pairs].reduce((s, m) => s + Math.exp(scores.get(m)!.log - likeliest), 0)
    const share = (reached * bound) / (reached * bound + known)
    if (share <= truncatedLeft) break
    if (!c.repairs.length && pairs.length >= usual && share <= truncatedMuch) break
    let [promised, came] = [0, 0]
    for (const d of drafts.slice(pairs.length, pairs.length + pairBatch)) {
      const pair = predictor.pair(d.a, d.b, d.priorWeight)
      const score = scoreHypothesis(predictor, pair, c, readings)
      scores.set(pair, score)
      pairs.push(pair)
      bound -= Math.exp(d.log - likeliest)
      promised += Math.exp(d.log - likeliest)
      came += Math.exp(score.log - likeliest)
    }
    reached = Math.min(1, Math.max(boundReachedLeast, came / promised))
  }
  return { pairs, likeliest, bound, reached }
}
