import type { Dimension, ReadingValue } from '../../foundation/quantity'
import type { Calibration } from '../calibration'

/**
 * Density of a value when nothing is known of it, per SI unit: uniform up to a ceiling, or uniform in the logarithm for
 * ohms and times.
 */
export function broadDensity(value: number, dimension: Dimension, c: Calibration['belief']): number {
  const ceiling = c.broadCeiling[dimension]
  // Beyond the ceiling hardly anything is ever shown: what stands there was written wrong.
  if (ceiling !== undefined) return Math.abs(value) <= ceiling ? 1 / ceiling : (c.beyondCeiling * ceiling) / value ** 2
  if (dimension === 'time') return 1 / (Math.max(value, 1) * Math.log(c.broadSeconds))
  return 1 / (Math.max(Math.abs(value), c.broadOhms) * Math.log(c.broadOhmsSpan))
}

/** Likelihood of a reading of which nothing is known: the broad part of an unknown fault. A density for values. */
export function broadLikelihood(
  reading: ReadingValue,
  dimension: Dimension | undefined,
  c: Calibration['belief'],
): number {
  const { broad, elsewhere } = c
  switch (reading.type) {
    case 'value':
      return broad.value * broadDensity(reading.si, dimension ?? 'count', c)
    case 'open':
      return broad.open
    case 'never':
    case 'never-ended':
      return broad.never / 2
    case 'longer-than':
      return (
        broad.never / 2 + broad.value * (1 - Math.min(1, Math.log(Math.max(reading.si, 1)) / Math.log(c.broadSeconds)))
      )
    case 'yes':
    case 'no':
      return broad.yesNo
    case 'word':
      return broad.word
    case 'times':
      // What no sheet lists seldom lies in the very switch that is being worked.
      return reading.clean === reading.of ? 1 - elsewhere : elsewhere / reading.of
    case 'could-not':
      return 1
  }
}
