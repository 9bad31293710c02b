import type { Dimension, ReadingValue } from '../../foundation/quantity'
import type { Calibration } from '../calibration'
import type { Prediction, ValuePrediction } from '../predict'
import { broadDensity, broadLikelihood } from './broad-likelihood'
import { predictiveGiven, type Conditioning } from './conditioning'
import { normalCdf, normalDensity } from './normal'
import { chanceOfYes } from './senses'
import type { UnitSlip } from './types'

/** Ways in which a value is written wrong with its sense kept: what was meant, and the Jacobian of that for densities. */
const UNIT_SLIPS: readonly {
  type: UnitSlip
  chance: 'scaleSlip' | 'fahrenheitSlip'
  only?: Dimension
  meant: (si: number) => number
  jacobian: number
}[] = [
  { type: 'thousand-too-small', chance: 'scaleSlip', meant: (si) => si * 1000, jacobian: 1000 },
  { type: 'thousand-too-great', chance: 'scaleSlip', meant: (si) => si / 1000, jacobian: 1 / 1000 },
  // The number shown in °F was taken for °C: x °C stands for (x − 32)·5/9 °C.
  {
    type: 'fahrenheit',
    chance: 'fahrenheitSlip',
    only: 'temperature',
    meant: (si) => ((si - 32) * 5) / 9,
    jacobian: 5 / 9,
  },
]

/** From here on a resistance may be a hand on the probes, or damp, instead of OL, Ω. */
const MEGOHM = 1e6

/** Probability of `clean` out of `of` trials, each clean with probability `share` (0 … 1). */
export function binomial(clean: number, of: number, share: number): number {
  let log = clean * Math.log(Math.max(share, 1e-12)) + (of - clean) * Math.log(Math.max(1 - share, 1e-12))
  for (let i = 1; i <= of - clean; i++) log += Math.log((clean + i) / i)
  return Math.exp(log)
}

/** How well a hypothesis explains a reading. */
export interface Fit {
  /** A density per SI unit for values. */
  likelihood: number
  /** Whether the hypothesis explains the value itself. */
  explains: boolean
  /** Share of the likelihood that takes the reading for a gross error, 0 … 1. */
  grossError: number
  /** The wrong entry that keeps its sense, where that explains it best. */
  unitSlip: UnitSlip | undefined
}

const plain = (likelihood: number): Fit => ({ likelihood, explains: false, grossError: 0, unitSlip: undefined })
const gross = (likelihood: number): Fit => ({ likelihood, explains: false, grossError: 1, unitSlip: undefined })

function valueFit(
  p: ValuePrediction,
  si: number,
  dimension: Dimension | undefined,
  conditioning: Conditioning,
  key: string | undefined,
  grossLikelihood: number,
  c: Calibration['belief'],
): Fit {
  const { mean, variance } = predictiveGiven(p, conditioning, key)
  const fit = (1 - c.grossError) * normalDensity(si, mean, variance)
  let all = fit + grossLikelihood
  let best = fit
  let unitSlip: UnitSlip | undefined
  for (const slip of UNIT_SLIPS) {
    // Nothing is nothing at any scale.
    if (slip.only === undefined ? si === 0 : slip.only !== dimension) continue
    const slipped = c[slip.chance] * slip.jacobian * normalDensity(slip.meant(si), mean, variance)
    all += slipped
    if (slipped > best && slipped > grossLikelihood) [best, unitSlip] = [slipped, slip.type]
  }
  return { likelihood: all, explains: fit > 0.5 * all, grossError: 1 - fit / all, unitSlip }
}

/** Chance that a time comes out longer than so many seconds, 0 … 1. */
function lastsBeyond(p: ValuePrediction, seconds: number, conditioning: Conditioning, key: string | undefined): number {
  const { mean, variance } = predictiveGiven(p, conditioning, key)
  return 1 - normalCdf((seconds - mean) / Math.sqrt(variance))
}

/**
 * Likelihood of one reading under one hypothesis, given its earlier readings.
 *
 * @param key names what is read, how, and with what in and out
 */
export function likelihood(
  p: Prediction,
  reading: ReadingValue,
  dimension: Dimension | undefined,
  conditioning: Conditioning,
  c: Calibration['belief'],
  key?: string,
): Fit {
  if (reading.type === 'could-not') return plain(1)
  const error = c.grossError * broadLikelihood(reading, dimension, c)
  const right = 1 - c.grossError
  switch (p.type) {
    case 'value':
      if (reading.type === 'longer-than') return plain(right * lastsBeyond(p, reading.si, conditioning, key) + error)
      if (reading.type !== 'value') return gross(error)
      return valueFit(p, reading.si, dimension, conditioning, key, error, c)
    case 'open':
      if (reading.type === 'open') return plain(right)
      if (reading.type === 'value' && reading.si > MEGOHM)
        return plain(c.dampOpen * broadDensity(reading.si, 'resistance', c))
      return gross(error)
    case 'never': {
      if (reading.type === 'never') return plain(right * (p.instead ? 1 - c.readAllTheSame : 1))
      if (!p.instead) return gross(error)
      const fit = likelihood(p.instead, reading, dimension, conditioning, c, key)
      return { ...fit, explains: false, likelihood: c.readAllTheSame * fit.likelihood }
    }
    case 'never-ended':
      if (reading.type === 'never-ended') return plain(right)
      return reading.type === 'longer-than' && reading.si <= p.seconds ? plain(right) : gross(error)
    case 'sense': {
      if (reading.type !== 'yes' && reading.type !== 'no') return gross(error)
      const yes = chanceOfYes(p, conditioning, c)
      const l = reading.type === 'yes' ? yes : 1 - yes
      // A sense that said what it seldom says there was mistaken, if this is how the machine is.
      return { ...plain(l), grossError: 1 - l }
    }
    case 'times':
      return reading.type === 'times' ? plain(binomial(reading.clean, reading.of, p.clean)) : gross(error)
    case 'word':
      return reading.type === 'word' && reading.word === p.word ? plain(right) : gross(error)
  }
}
