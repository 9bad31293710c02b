import type { Fault } from '../../model/machine'
import type { Hypothesis } from '../hypotheses'
import type { Predictor } from '../predict'
import { canonicalOrder } from './reading-key'
import { scoreHypothesis } from './score-hypothesis'
import type { Belief, Case } from './types'

/** A fault that the sheet does not list and that would explain the evidence. */
export interface UnlistedCandidate {
  fault: Fault
  /** Its weight beside all that the belief shares out, had the sheet listed it at the rate typical of its kind. */
  share: number
  /** It, at the severity that explains most. */
  hypothesis: Hypothesis
}

/**
 * What else would explain the evidence: faults that the kinds of the parts know and the sheet does not list, heaviest first.
 * Each is run like a listed one; nothing of the belief depends on them.
 */
export function unlistedCandidates(predictor: Predictor, c: Case, belief: Belief): UnlistedCandidate[] {
  const readings = canonicalOrder(c.readings)
  const { candidateFrom, candidateHopeless } = predictor.calibration.belief
  // The run that most was read in is run first: most of what is not listed fails there.
  const inRun = (run: number) => readings.filter((r) => r.procedure.run === run)
  const [most = []] = [...new Set(readings.map((r) => r.procedure.run))].map(inRun).sort((a, b) => b.length - a.length)
  const early = (m: Hypothesis) => scoreHypothesis(predictor, m, { ...c, complaints: [] }, most).log
  const lead = early(belief.hypotheses[belief.posterior.indexOf(Math.max(...belief.posterior))])
  const found = new Map<Fault, UnlistedCandidate & { heaviest: number }>()
  for (const hypothesis of predictor.unlistedHypotheses) {
    if (early(hypothesis) < lead - candidateHopeless) continue
    const [{ fault }] = hypothesis.activeFaults
    const share = Math.exp(scoreHypothesis(predictor, hypothesis, c, readings).log - belief.logEvidence)
    const known = found.get(fault)
    if (!known) found.set(fault, { fault, share, hypothesis, heaviest: share })
    else {
      known.share += share
      if (share > known.heaviest) Object.assign(known, { hypothesis, heaviest: share })
    }
  }
  return [...found.values()]
    .filter((b) => b.share >= candidateFrom)
    .sort((a, b) => b.share - a.share)
    .map(({ fault, share, hypothesis }) => ({ fault, share, hypothesis }))
}
