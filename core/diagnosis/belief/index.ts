export {
  analyseDiagnosability,
  areDistinguishable,
  type AmbiguityGroup,
  type Detectability,
  type Diagnosability,
} from './diagnosability'
export { unknownFaultShares } from './unknown-fault-shares'
export { inferBelief } from './infer-belief'
export { unlistedCandidates, type UnlistedCandidate } from './unlisted-candidates'
export { readingKey } from './score-hypothesis'
export { chanceOfYes, predictiveGiven, likelihood, unconditioned, withValue } from './likelihood'
export { interpretEvidence, type InterpretedEvidence } from './interpret-evidence'
export { judgeReading, linkStatuses, suspects, type LinkStatus, type LinkState, type Verdict } from './summaries'
export type * from './types'
