import { withChanges } from '../../foundation/linear'
import { findMeter } from '../../simulation/instrument'
import type { SharedParams } from './shared-params'
import type { Prediction } from './types'

/**
 * A prediction as an instrument of another accuracy than the usual one shows it.
 *
 * @param meter id of the instrument used; a prediction without one is as it was
 * @param accuracy its limit of error as its papers give it, share of the reading, read as two standard deviations; 0.02 for ±2 %
 */
export function withAccuracy(
  prediction: Prediction,
  shared: SharedParams,
  meter: string | undefined,
  accuracy: number,
): Prediction {
  const own = meter === undefined ? undefined : findMeter(meter)
  if (!own) return prediction
  if (prediction.type === 'never' && prediction.instead)
    return { ...prediction, instead: withAccuracy(prediction.instead, shared, meter, accuracy) }
  if (prediction.type !== 'value') return prediction
  const { mean } = prediction
  const sensitivity = withChanges(prediction.sensitivity, shared.count, (dense) => {
    dense[shared.gain(own)] = (accuracy / 2) * mean
  })
  return { ...prediction, sensitivity }
}
