import type { ReadingValue } from '../../foundation/quantity'
import type { CircumstanceId } from '../../model/kinds'
import type { Intervention } from '../../model/machine'
import type { Procedure } from '../catalogue'
import type { Hypothesis } from '../hypotheses'
import type { Conditioning } from './conditioning'

/** A reading with the context that the action log gave it. */
export interface ContextualReading {
  procedure: Procedure
  value: ReadingValue
  /** Instrument used; `undefined` for the usual one. */
  meter: string | undefined
  /** Limit of error of that instrument, share of the reading; absent for one of the usual accuracy. */
  accuracy?: number | undefined
  interventions: readonly Intervention[]
}

/** The evidence in the form the belief is computed from. */
export interface Case {
  /** Complaints made (indices into the sheet's), each with what had been repaired by then. */
  complaints: readonly { complaint: number; interventions: readonly Intervention[] }[]
  readings: readonly ContextualReading[]
  /** What was said of the days before. */
  circumstances?: readonly CircumstanceId[]
  /** Repairs done (indices into the sheet's) after which the complaint was still there. */
  repairs: readonly number[]
}

/** A wrong entry that keeps the sense of a value. */
export type UnitSlip = 'thousand-too-small' | 'thousand-too-great' | 'fahrenheit'

/** Doubt about one reading of a case. */
export interface Doubt {
  /** Probability that it says nothing about the machine. */
  grossError: number
  unitSlip: UnitSlip | undefined
}

/** Posterior over hypotheses, with the two masses that none of them carries. */
export interface Belief {
  hypotheses: readonly Hypothesis[]
  /** Posterior of each hypothesis, by its place in `hypotheses`. */
  posterior: Float64Array
  /** Probability of a cause that the sheet does not list. */
  unknownFault: number
  /** Pairs of faults not yet run as pairs: their upper bound, times what the last ones run reached of theirs. */
  truncatedMass: number
  /** Logarithm of prior × likelihood of everything, summed over all that the probabilities are shares of. */
  logEvidence: number
  /** Logarithm of the likelihood of the readings alone under each hypothesis. */
  logLikelihoods: Float64Array
  /** Doubt about each reading, in the order of the case. */
  doubts: readonly Doubt[]
  /** How each hypothesis stands to a further reading. */
  conditionings: readonly Conditioning[]
}

export interface Suspect {
  faults: { id: string; title: string; part: number; severity: number | undefined }[]
  p: number
}
