export {
  analyseDiagnosability,
  areDistinguishable,
  type AmbiguityGroup,
  type Detectability,
  type Diagnosability,
} from './diagnosability'
export { predictiveGiven, unconditioned, withValue, type Conditioning } from './conditioning'
export { inferBelief } from './infer-belief'
export { interpretEvidence, type InterpretedEvidence } from './interpret-evidence'
export { judgeReading, type Finding, type Verdict } from './judge-reading'
export { likelihood } from './likelihood'
export { linkStatuses, type LinkState, type LinkStatus } from './link-statuses'
export { normalCdf } from './normal'
export { readingKey } from './reading-key'
export { chanceOfYes } from './senses'
export { suspects } from './suspects'
export { unknownFaultShares } from './unknown-fault-shares'
export { unlistedCandidates, type UnlistedCandidate } from './unlisted-candidates'
export type * from './types'
