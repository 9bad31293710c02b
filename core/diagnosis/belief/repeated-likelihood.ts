import type { Dimension, ReadingValue } from '../../foundation/quantity'
import type { Calibration } from '../calibration'
import { broadLikelihood } from './broad-likelihood'
import { normalDensity } from './normal'

/**
 * Likelihood of taking a reading again and seeing this, whatever the cause: what stood there stands there still.
 *
 * @param resolution of the instrument, SI
 */
export function repeatedLikelihood(
  reading: ReadingValue,
  before: ReadingValue,
  dimension: Dimension | undefined,
  resolution: number,
  { belief, predict }: Calibration,
): number {
  const { grossError } = belief
  const gross = grossError * broadLikelihood(reading, dimension, belief)
  if (reading.type === 'value' && before.type === 'value') {
    const sd = Math.hypot(predict.drift * before.si, resolution)
    return (1 - grossError) * normalDensity(reading.si, before.si, sd * sd) + gross
  }
  return JSON.stringify(reading) === JSON.stringify(before) ? 1 - grossError : gross
}
