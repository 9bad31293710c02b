import { findMeter } from '../../simulation/instrument'
import { interventionsKey, type Hypothesis, type Predictor } from '../predict'
import { againLikelihood, likelihood, unconditioned, withAnswer, withValue, type Fit } from './likelihood'
import type { Case, Conditioning, ContextualReading } from './types'

/** A complaint is heard where the machine shows it, and sometimes where it does not. */
export const HEARD = 0.9
const MISHEARD = 0.006
/** Chance that a slip is made in the same way again when a reading is repeated. */
const SLIPS_AGAIN = 0.2
/** The same of a sense: who mistook it once mistakes it again. */
const MISTAKES_AGAIN = 0.5

/** Names what is read, how, and with what in and out: two readings with one key are one thing read twice. */
export const readingKey = (r: Pick<ContextualReading, 'procedure' | 'meter' | 'interventions'>): string =>
  `${r.procedure.key}|${r.meter ?? ''}|${interventionsKey(r.interventions)}`

/** Floor of the instrument that a reading was taken with, SI. */
export const resolutionOf = ({ procedure, meter }: ContextualReading): number => {
  const id = meter ?? procedure.meter
  return (id === undefined ? undefined : findMeter(id)?.resolution) ?? 0
}

/** Readings in an order that does not depend on when they were taken. */
export function canonicalOrder(readings: readonly ContextualReading[]): ContextualReading[] {
  const key = (r: ContextualReading) => `${readingKey(r)}|${JSON.stringify(r.value)}`
  const sorted = [...readings].filter((r) => r.value.type !== 'could-not').sort((a, b) => (key(a) < key(b) ? -1 : 1))
  // The same sense asked twice about the same thing is one witness.
  const sensed = (r: ContextualReading) => r.value.type === 'yes' || r.value.type === 'no'
  return sorted.filter((r, i) => !sensed(r) || i === 0 || key(sorted[i - 1]) !== key(r))
}

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

/** Scores one member on its own: every reading given the earlier ones. */
export function scoreHypothesis(
  predictor: Predictor,
  hypothesis: Hypothesis,
  c: Case,
  readings: readonly ContextualReading[],
): HypothesisScore {
  const heard = c.complaints.map(({ complaint, interventions }) =>
    predictor.showsComplaint(hypothesis, complaint, interventions) ? HEARD : MISHEARD,
  )
  const complaint = heard.reduce((product, x) => product * x, 1)
  // A machine whose every fault has been repaired still fails only when the repair did not hold.
  const done = hypothesis.activeFaults.filter(({ fault }) => c.repairs.includes(fault.repair))
  const { repairs } = predictor.catalogue.machine
  const held =
    done.length > 0 && done.length === hypothesis.activeFaults.length
      ? done.reduce((chance, { fault }) => chance + 1 - repairs[fault.repair].successProbability, 1e-9)
      : 1
  let log = Math.log(hypothesis.priorWeight) + Math.log(complaint) + Math.log(held)
  let condition = unconditioned
  const each: number[] = []
  const fits: Fit[] = []
  readings.forEach((r, k) => {
    const p = predictor.predict(hypothesis, r.procedure, r.meter, r.interventions)
    const dimension = r.procedure.shape.type === 'number' ? r.procedure.shape.dimension : undefined
    const fit = likelihood(p, r.value, dimension, condition, readingKey(r))
    const { explains } = fit
    const first = readings.findLastIndex((x, i) => i < k && readingKey(x) === readingKey(r))
    const again = first < 0 ? 0 : (p.type === 'sense' ? MISTAKES_AGAIN : SLIPS_AGAIN) * fits[first].grossError
    const l =
      again > 0
        ? (1 - again) * fit.likelihood +
          again * againLikelihood(r.value, readings[first].value, dimension, resolutionOf(r))
        : fit.likelihood
    fits.push(fit)
    each.push(l)
    log += Math.log(Math.max(l, 1e-300))
    if (explains && p.type === 'value' && r.value.type === 'value')
      condition = withValue(condition, p, r.value.si, readingKey(r))
    if (p.type === 'sense' && (r.value.type === 'yes' || r.value.type === 'no'))
      condition = withAnswer(condition, p, r.value.type === 'yes')
  })
  return { log, conditioning: condition, readingLikelihoods: each, fits, complaintLikelihoods: heard }
}
