import { dimensionOf } from '../catalogue'
import type { Hypothesis } from '../hypotheses'
import type { Predictor } from '../predict'
import { chanceSaid } from './circumstances'
import { unconditioned, withValue, type Conditioning } from './conditioning'
import { likelihood, type Fit } from './likelihood'
import { LEAST_LIKELIHOOD } from './normal'
import { predictReading } from './predict-reading'
import { readingKey, resolutionOf } from './reading-key'
import { repeatedLikelihood } from './repeated-likelihood'
import { withAnswer } from './senses'
import type { Case, ContextualReading } from './types'

export interface HypothesisScore {
  /** Logarithm of prior × likelihood of everything. */
  log: number
  conditioning: Conditioning
  /** Likelihood of each reading, in the fixed order. */
  readingLikelihoods: number[]
  fits: Fit[]
  /** Likelihood of each complaint. */
  complaintLikelihoods: number[]
}

/**
 * Chance that a machine is still complained of though repairs were done: all its faults were repaired and one did not hold, or what
 * is left of them still does something that was said.
 */
function chanceUnrepaired(
  predictor: Predictor,
  hypothesis: Hypothesis,
  { repairs: repaired, complaints }: Pick<Case, 'repairs' | 'complaints'>,
): number {
  if (!repaired.length) return 1
  const { machine } = predictor.catalogue
  const { repairHeldAnyway, complaintMisheard } = predictor.calibration.belief
  const tried = hypothesis.activeFaults.map(({ fault }) => fault.curedBy.filter((r) => repaired.includes(r)))
  if (tried.length && tried.every((repairs) => repairs.length))
    return tried.reduce(
      (chance, repairs) => chance + repairs.reduce((all, r) => all * (1 - machine.repairs[r].successProbability), 1),
      repairHeldAnyway,
    )
  const repairs = repaired.map((repair) => ({ repair }))
  const isFelt = complaints.some(({ complaint }) => predictor.showsComplaint(hypothesis, complaint, repairs))
  return isFelt || !complaints.length ? 1 : complaintMisheard
}

/** Scores one hypothesis on its own: every reading given the earlier ones. */
export function scoreHypothesis(
  predictor: Predictor,
  hypothesis: Hypothesis,
  c: Case,
  readings: readonly ContextualReading[],
): HypothesisScore {
  const { calibration } = predictor
  const { complaintHeard, complaintMisheard, mistakeAgain, grossErrorAgain } = calibration.belief
  const complaintLikelihoods = c.complaints.map(({ complaint, interventions }) =>
    predictor.showsComplaint(hypothesis, complaint, interventions) ? complaintHeard : complaintMisheard,
  )
  const complaint = complaintLikelihoods.reduce((product, x) => product * x, 1)
  const said = (c.circumstances ?? []).reduce((product, x) => product * chanceSaid(hypothesis, x), 1)
  let log =
    Math.log(hypothesis.priorWeight) +
    Math.log(said) +
    Math.log(complaint) +
    Math.log(chanceUnrepaired(predictor, hypothesis, c))
  let conditioning = unconditioned
  const readingLikelihoods: number[] = []
  const fits: Fit[] = []
  readings.forEach((r, k) => {
    const p = predictReading(predictor, hypothesis, r)
    const dimension = dimensionOf(r.procedure)
    const key = readingKey(r)
    const fit = likelihood(p, r.value, dimension, conditioning, calibration.belief, key)
    const first = readings.findLastIndex((x, i) => i < k && readingKey(x) === key)
    const again = first < 0 ? 0 : (p.type === 'sense' ? mistakeAgain : grossErrorAgain) * fits[first].grossError
    const l =
      again > 0
        ? (1 - again) * fit.likelihood +
          again * repeatedLikelihood(r.value, readings[first].value, dimension, resolutionOf(r), calibration)
        : fit.likelihood
    fits.push(fit)
    readingLikelihoods.push(l)
    log += Math.log(Math.max(l, LEAST_LIKELIHOOD))
    if (fit.explains && p.type === 'value' && r.value.type === 'value')
      conditioning = withValue(conditioning, p, r.value.si, key)
    if (p.type === 'sense' && (r.value.type === 'yes' || r.value.type === 'no'))
      conditioning = withAnswer(conditioning, p, r.value.type === 'yes', calibration.belief)
  })
  return { log, conditioning, readingLikelihoods, fits, complaintLikelihoods }
}
