import type { Hypothesis } from '../hypotheses'
import type { Predictor } from '../predict'
import { LEAST_LIKELIHOOD } from './normal'
import { canonicalOrder } from './reading-key'
import { runPairs, type Scores } from './run-pairs'
import { scoreHypothesis } from './score-hypothesis'
import { scoreUnknownFault } from './score-unknown-fault'
import type { Belief, Case, Doubt, UnitSlip } from './types'

/** Doubt about the reading at a place of the fixed order; none about one that could not be taken. */
function doubtAt(k: number, hypotheses: readonly Hypothesis[], scores: Scores, weights: Float64Array): Doubt {
  if (k < 0) return { grossError: 0, unitSlip: undefined }
  const bySlip = new Map<UnitSlip | undefined, number>()
  let gross = 0
  let listed = 0
  hypotheses.forEach((m, i) => {
    const fit = scores.get(m)!.fits[k]
    listed += weights[i]
    gross += weights[i] * fit.grossError
    bySlip.set(fit.unitSlip, (bySlip.get(fit.unitSlip) ?? 0) + weights[i] * fit.grossError)
  })
  const [unitSlip] = [...bySlip].sort((a, b) => b[1] - a[1])[0]
  return { grossError: gross / listed, unitSlip }
}

/**
 * The belief that a case leads to. Pure: depends on the evidence alone, not on its order nor on earlier calls.
 *
 * Singles are scored first; pairs that could explain the readings best, each reading by the better of its two
 * faults, are run as pairs in one machine; what is not run counts as `truncatedMass`.
 *
 * @param pairs how many pairs to run, more after a repair; 0 gives the quick answer, left out the settled one
 */
export function inferBelief(
  predictor: Predictor,
  c: Case,
  pairs: number = predictor.calibration.belief.pairsRun,
): Belief {
  const readings = canonicalOrder(c.readings)
  const singles = predictor.hypotheses.filter((m) => m.activeFaults.length < 2)
  const scores: Scores = new Map(singles.map((m) => [m, scoreHypothesis(predictor, m, c, readings)]))
  const run = runPairs(predictor, c, readings, singles, scores, pairs)
  const hypotheses = [...singles, ...run.pairs]
  const unknownLog = scoreUnknownFault(predictor, c, readings, hypotheses, scores)

  const logs = hypotheses.map((m) => scores.get(m)!.log)
  const top = Math.max(unknownLog, ...logs)
  const weights = Float64Array.from(logs, (x) => Math.exp(x - top))
  const unknown = Math.exp(unknownLog - top)
  const truncated = run.reached * Math.max(0, run.bound) * Math.exp(run.likeliest - top)
  const sum = weights.reduce((s, x) => s + x, 0) + unknown + truncated
  return {
    hypotheses,
    posterior: weights.map((x) => x / sum),
    unknownFault: unknown / sum,
    truncatedMass: truncated / sum,
    logEvidence: top + Math.log(sum),
    logLikelihoods: Float64Array.from(hypotheses, (m) =>
      scores.get(m)!.readingLikelihoods.reduce((s, l) => s + Math.log(Math.max(l, LEAST_LIKELIHOOD)), 0),
    ),
    doubts: c.readings.map((r) => doubtAt(readings.indexOf(r), hypotheses, scores, weights)),
    conditionings: hypotheses.map((m) => scores.get(m)!.conditioning),
  }
}
