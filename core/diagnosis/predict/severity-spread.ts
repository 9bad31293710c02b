import { withChanges } from '../../foundation/linear'
import type { Hypothesis } from '../hypotheses'
import type { SharedParams } from './shared-params'
import type { Prediction, ValuePrediction } from './types'

/**
 * A prediction with the width of its severity node: half the difference to its neighbours enters as a private shared
 * parameter, so that several readings of one joint agree on one severity.
 *
 * @param at what the same test gives under a neighbour
 * @param comparable whether a neighbour's value is more of the same, and not another course of things
 * @param nodeSpread half width of a node in standard deviations of that parameter
 */
export function withSeveritySpread(
  p: ValuePrediction,
  hypothesis: Hypothesis,
  at: (other: Hypothesis) => Prediction,
  comparable: (mean: number) => boolean,
  shared: SharedParams,
  nodeSpread: number,
): ValuePrediction {
  const meanUnder = (other: Hypothesis | undefined): number | undefined => {
    if (!other) return undefined
    const q = at(other)
    return q.type === 'value' && comparable(q.mean) ? q.mean : undefined
  }
  const slopes = hypothesis.neighbours.map((find) => {
    const { below, above } = find()
    const [low, high] = [meanUnder(below), meanUnder(above)]
    if (low !== undefined && high !== undefined) return (high - low) / 2
    return high !== undefined ? high - p.mean : low !== undefined ? p.mean - low : 0
  })
  if (!slopes.some((slope) => slope !== 0)) return p
  const sensitivity = withChanges(p.sensitivity, shared.count, (all) =>
    slopes.forEach((slope, slot) => (all[shared.severity(slot)] = nodeSpread * slope)),
  )
  return { ...p, sensitivity }
}
