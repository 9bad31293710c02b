export { tellApart, toldApart, type LookAlikes, type Showing, type Told } from './tell-apart'
export { elseShares } from './else-shares'
export { believe, keyOf, PAIRS_MADE } from './believe'
export { chanceOfYes, conditional, likelihood, noCondition, SLIP } from './likelihood'
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
