import type { Sense } from '../../model/kinds'
import type { SparseVector } from '../../foundation/linear'
import type { Intervention } from '../../model/machine'
import type { Hypothesis, Prediction } from '../predict'
import type { Procedure } from '../catalogue'
import type { ReadingValue } from '../../foundation/quantity'

/** A reading with the context that the action log gave it. */
export interface ContextualReading {
  procedure: Procedure
  value: ReadingValue
  meter: string | undefined
  interventions: readonly Intervention[]
}

/** The evidence in the form the belief is computed from. */
export interface Case {
  /** Complaints made (indices into the sheet's), each with what had been repaired by then. */
  complaints: readonly { complaint: number; interventions: readonly Intervention[] }[]
  readings: readonly ContextualReading[]
  /** Repairs done (indices into the sheet's) after which the complaint was still there. */
  repairs: readonly number[]
}

/** A slip of the pen that keeps the sense of a value. */
export type UnitSlip = 'thousand-too-small' | 'thousand-too-great' | 'fahrenheit'

/** Doubt about one reading of a case. */
export interface Doubt {
  /** Probability that it says nothing about the machine. */
  grossError: number
  unitSlip: UnitSlip | undefined
}

/** Posterior over members, with the two masses that no member carries. */
export interface Belief {
  hypotheses: readonly Hypothesis[]
  /** Posterior of each member, by its place in `hypotheses`. */
  posterior: Float64Array
  /** "Something else": readings fit nothing that the sheet lists. */
  unknownFault: number
  /** Pairs of faults not yet run as pairs: their upper bound, times what the last ones run reached of theirs. */
  truncatedMass: number
  /** Logarithm of prior × likelihood of everything, summed over all that the probabilities are shares of. */
  logEvidence: number
  /** Logarithm of the likelihood of the readings alone under each member. */
  logLikelihoods: Float64Array
  /** Doubt about each reading, in the order of the case. */
  doubts: readonly Doubt[]
  /** How each member stands to a further reading. */
  conditionings: readonly Conditioning[]
}

/** A member's readings so far, ready to predict the next one. */
export interface Conditioning {
  /** Values already explained by this member (slips left out). */
  used: { sensitivity: SparseVector; residual: number; reproducibility: number; repeatability: number; key: string }[]
  /** Cholesky factor of their covariance, row-major. */
  factor: Float64Array
  /** Chance that each sense is dull in this visit; where nothing was asked of it, as usual. */
  dull: Readonly<Partial<Record<Sense, number>>>
}

export interface Suspect {
  faults: { id: string; title: string; part: number; severity: number | undefined }[]
  p: number
}

export type { Prediction }
