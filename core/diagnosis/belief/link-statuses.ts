import type { Predictor } from '../predict'
import type { Belief } from './types'

/** `measured`: it has been read, and the reading says nothing of it yet. */
export type LinkState = 'untested' | 'measured' | 'proven' | 'suspect' | 'intermittent' | 'faulty' | 'bypassed'

export interface LinkStatus {
  part: number
  /** Remaining probability that one of the part's faults acts. */
  p: number
  /** Probability that one of them comes and goes and rests just now: a good reading clears a part of this moment alone. */
  restingProbability: number
  state: LinkState
}

/** Greatest exponent of a likelihood ratio that is told from a greater one. */
const MOST_AGAINST = 50

/**
 * How each part stands. A part is *proven* when its remaining probability is small and the readings speak against its own
 * faults: they are at most half as likely with one of them as with a healthy machine. A part that is merely explained away
 * by another's fault stays `untested`. One that may well come and go, and rests just now, is *intermittent*.
 *
 * @param jumpers parts with a jumper in
 * @param read parts that a test has looked at
 */
export function linkStatuses(
  predictor: Predictor,
  belief: Belief,
  jumpers: readonly number[],
  read: ReadonlySet<number> = new Set(),
): LinkStatus[] {
  const { machine } = predictor.catalogue
  const { provenBelow, provenRatio, faultyAbove, restingFrom } = predictor.calibration.belief
  const count = machine.parts.length
  const [acts, rests] = [new Float64Array(count), new Float64Array(count)]
  const [against, weight] = [new Float64Array(count), new Float64Array(count)]
  belief.hypotheses.forEach((m, i) => {
    const acting = new Set(m.activeFaults.flatMap((x) => (x.missProbability === undefined ? [x.fault.part] : [])))
    for (const part of new Set(m.activeFaults.map((x) => x.fault.part)))
      (acting.has(part) ? acts : rests)[part] += belief.posterior[i]
    if (m.activeFaults.length !== 1 || !acting.size) return
    const { part } = m.activeFaults[0].fault
    const ratio = Math.min(MOST_AGAINST, belief.logLikelihoods[i] - belief.logLikelihoods[0])
    weight[part] += m.priorWeight
    against[part] += m.priorWeight * Math.exp(ratio)
  })
  const stateOf = (part: number): LinkState => {
    if (jumpers.includes(part)) return 'bypassed'
    if (acts[part] >= faultyAbove) return 'faulty'
    // Good readings clear it of this moment alone: while it may well come and go, it is not proven.
    if (rests[part] >= restingFrom && rests[part] > acts[part]) return 'intermittent'
    // As the list of suspects counts: a cause that is named there stands at no part that is proven.
    if (acts[part] + rests[part] >= provenBelow) return 'suspect'
    if (weight[part] > 0 && against[part] < weight[part] * provenRatio) return 'proven'
    return read.has(part) ? 'measured' : 'untested'
  }
  return machine.parts.map(({ index: part }) => ({
    part,
    p: acts[part],
    restingProbability: rests[part],
    state: stateOf(part),
  }))
}
