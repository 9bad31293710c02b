import type { ReadingValue } from '../../foundation/quantity'
import { dimensionOf } from '../catalogue'
import { varianceOf, type Prediction, type Predictor, type ValuePrediction } from '../predict'
import { predictiveGiven, unconditioned, withValue, type Conditioning } from './conditioning'
import { predictReading } from './predict-reading'
import { readingKey } from './reading-key'
import type { ContextualReading } from './types'

export type Finding =
  'good' | 'near-edge' | 'low' | 'high' | 'open' | 'wrong' | 'never-came' | 'never-ended' | 'not-taken'

export interface Verdict {
  test: string
  /** Lower and upper end of what a healthy machine shows, SI; `undefined` for anything but numbers. */
  band: { low: number; high: number } | undefined
  /** Distance from the middle of the band in half widths; 1 is the edge. */
  distance: number
  finding: Finding
}

type Judgement = Omit<Verdict, 'test'>
const plain = (finding: Finding): Judgement => ({
  band: undefined,
  distance: finding === 'good' ? 0 : Infinity,
  finding,
})

/** What the volts that were read tell of the supply, on a machine that is well. */
function supplyRead(predictor: Predictor, readings: readonly ContextualReading[]): Conditioning {
  const { healthySupply } = predictor.calibration.belief
  return readings.reduce((known, reading) => {
    const { procedure, value } = reading
    if (value.type !== 'value' || dimensionOf(procedure) !== 'voltage') return known
    const p = predictReading(predictor, predictor.healthy, reading)
    if (p.type !== 'value' || Math.abs(value.si - p.mean) > healthySupply * Math.sqrt(varianceOf(p))) return known
    return withValue(known, p, value.si, readingKey(reading))
  }, unconditioned)
}

/** A value against the band of a healthy one: two standard deviations either side. */
function judgeValue(
  predictor: Predictor,
  own: ValuePrediction,
  value: ReadingValue,
  supply: Conditioning = unconditioned,
): Judgement {
  const { inBand, nearEdge } = predictor.calibration.belief
  const given = predictiveGiven(own, supply)
  const healthy = { mean: given.mean }
  const sd = Math.sqrt(given.variance)
  const band = { low: Math.max(0, healthy.mean - 2 * sd), high: healthy.mean + 2 * sd }
  if (value.type === 'open') return { band, distance: Infinity, finding: 'open' }
  if (value.type === 'never') return { band, distance: Infinity, finding: 'never-came' }
  if (value.type === 'never-ended') return { band, distance: Infinity, finding: 'never-ended' }
  // Not yet over says nothing until it is overdue.
  if (value.type === 'longer-than' && value.si <= band.high) return { band, distance: 0, finding: 'good' }
  if (value.type === 'longer-than') return { band, distance: (value.si - healthy.mean) / (2 * sd), finding: 'high' }
  if (value.type !== 'value') return { band, distance: Infinity, finding: 'wrong' }
  const distance = Math.abs(value.si - healthy.mean) / (2 * sd)
  if (distance <= inBand) return { band, distance, finding: 'good' }
  if (distance <= nearEdge) return { band, distance, finding: 'near-edge' }
  return { band, distance, finding: value.si < healthy.mean ? 'low' : 'high' }
}

function isRight(healthy: Exclude<Prediction, { type: 'value' }>, value: ReadingValue): boolean {
  if (healthy.type === 'sense') return (value.type === 'yes') === healthy.yes > 0.5
  if (healthy.type === 'word') return value.type === 'word' && value.word === healthy.word
  return healthy.type === value.type
}

function judge(predictor: Predictor, reading: ContextualReading, others: readonly ContextualReading[]): Judgement {
  const { procedure, value } = reading
  if (value.type === 'could-not') return { ...plain('good'), finding: 'not-taken' }
  if (value.type === 'times') return plain(value.clean === value.of ? 'good' : 'wrong')
  const healthy = predictReading(predictor, predictor.healthy, reading)
  if (healthy.type === 'value') {
    const isCurrent = dimensionOf(procedure) === 'current'
    return judgeValue(predictor, healthy, value, isCurrent ? supplyRead(predictor, others) : undefined)
  }
  // A machine that never comes to it when it is well is as it should be when it does not.
  if (value.type === 'never-ended' || value.type === 'longer-than')
    return { ...plain('never-ended'), finding: healthy.type === 'never-ended' ? 'good' : 'never-ended' }
  if (value.type === 'never')
    return { ...plain('never-came'), finding: healthy.type === 'never' ? 'good' : 'never-came' }
  return plain(isRight(healthy, value) ? 'good' : 'wrong')
}

/**
 * Judges a reading against what the healthy machine shows there; a current against what it draws at the volts that were read.
 *
 * @param all readings of the visit, in any order
 */
export const judgeReading = (
  predictor: Predictor,
  reading: ContextualReading,
  all: readonly ContextualReading[] = [],
): Verdict => ({
  test: reading.procedure.id,
  ...judge(predictor, reading, all),
})
