export { tellApart, toldApart, type LookAlikes, type Showing, type Told } from './tell-apart'
export { elseShares } from './else-shares'
export { believe, PAIRS_MADE } from './believe'
export { besides, type Beside } from './besides'
export { keyOf } from './score'
export { chanceOfYes, conditional, likelihood, noCondition, SLIP, withValue } from './likelihood'
export { placeEvidence, startStanding, type Placed } from './place'
export {
  FAULTY_ABOVE,
  judge,
  links,
  PROVEN_BELOW,
  suspects,
  type Link,
  type LinkState,
  type Verdict,
} from './summaries'
export type * from './types'
