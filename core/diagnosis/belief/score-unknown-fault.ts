import { dimensionOf } from '../catalogue'
import { interventionsKey, type Predictor } from '../predict'
import { CIRCUMSTANCES } from '../../model/kinds'
import { broadLikelihood } from './broad-likelihood'
import { chanceSaid } from './circumstances'
import type { Hypothesis } from '../hypotheses'
import { LEAST_LIKELIHOOD } from './normal'
import { readingKey, resolutionOf } from './reading-key'
import { repeatedLikelihood } from './repeated-likelihood'
import type { Scores } from './run-pairs'
import type { Case, ContextualReading } from './types'
import { unknownFaultShares } from './unknown-fault-shares'

/** The mixture of the listed hypotheses, each as likely as it is by now. */
class Mixture {
  private logs: number[]
  constructor(hypotheses: readonly Hypothesis[]) {
    this.logs = hypotheses.map((m) => Math.log(m.priorWeight))
  }
  /** Likelihood of one more piece of evidence under the mixture, which moves on by it. */
  take(likelihoods: readonly number[]): number {
    const top = Math.max(...this.logs)
    let [mass, mix] = [0, 0]
    this.logs.forEach((log, i) => {
      const w = Math.exp(log - top)
      mass += w
      mix += w * likelihoods[i]
    })
    this.logs = this.logs.map((log, i) => log + Math.log(Math.max(likelihoods[i], LEAST_LIKELIHOOD)))
    return mix / mass
  }
}

/**
 * Logarithm of prior × likelihood of everything when the cause is one that the sheet does not list: scored against the
 * mixture of the listed hypotheses, reading by reading.
 */
export function scoreUnknownFault(
  predictor: Predictor,
  c: Case,
  readings: readonly ContextualReading[],
  hypotheses: readonly Hypothesis[],
  scores: Scores,
): number {
  const { calibration } = predictor
  const { unknownFault, saidAlike, complaintHeard, staysStopped } = calibration.belief
  const total = hypotheses.reduce((s, m) => s + m.priorWeight, 0)
  const mixture = new Mixture(hypotheses)
  let log = Math.log(unknownFault * total)
  // What no sheet lists is complained of as what it lists, now and then in words that fit nothing of it.
  c.complaints.forEach((_, k) => {
    const mix = mixture.take(hypotheses.map((m) => scores.get(m)!.complaintLikelihoods[k]))
    log += Math.log(saidAlike * mix + (1 - saidAlike) * complaintHeard * 0.5)
  })
  // It may have come of the same, or of anything.
  for (const said of c.circumstances ?? []) {
    const mix = mixture.take(hypotheses.map((m) => chanceSaid(m, said)))
    log += Math.log(saidAlike * mix + (1 - saidAlike) * CIRCUMSTANCES[said].usual)
  }
  readings.forEach((r, k) => {
    const mix = mixture.take(hypotheses.map((m) => scores.get(m)!.readingLikelihoods[k]))
    const shares = unknownFaultShares(r.procedure, calibration.belief)
    const dimension = dimensionOf(r.procedure)
    const key = interventionsKey(r.interventions)
    const earlier = readings.slice(0, k).filter((x) => interventionsKey(x.interventions) === key)
    const before = earlier.findLast((x) => readingKey(x) === readingKey(r))
    // A machine that has stopped comes to nothing that follows: one fact, however often it is found.
    const stopped = earlier.some(
      ({ value, procedure }) =>
        (value.type === 'never' || value.type === 'never-ended') &&
        procedure.measurement.type !== 'on-time' &&
        procedure.run === r.procedure.run,
    )
    log += Math.log(
      before
        ? repeatedLikelihood(r.value, before.value, dimension, resolutionOf(r), calibration)
        : stopped && r.value.type === 'never'
          ? staysStopped
          : shares.healthy * scores.get(hypotheses[0])!.readingLikelihoods[k] +
            shares.mixture * mix +
            shares.broad * broadLikelihood(r.value, dimension, calibration.belief),
    )
  })
  return log
}
