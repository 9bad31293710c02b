import type { Dimension, ReadingShape } from '../../foundation/quantity'
import { findMeter } from '../../simulation/instrument'
import type { Procedure } from './types'

/** How the reading of a test is written with an instrument: a tester says yes or no where a meter shows a number. */
export function readingShapeFor(procedure: Procedure, instrument: string | undefined): ReadingShape {
  const meter = instrument === undefined ? undefined : findMeter(instrument)
  return meter?.threshold ? { type: 'yes-no' } : procedure.shape
}

/** Dimension of the numbers that a test gives, `undefined` where it gives none. */
export const dimensionOf = ({ shape }: Procedure): Dimension | undefined =>
  shape.type === 'number' ? shape.dimension : undefined
