export { HypothesisSpace, type RunOracle } from './hypothesis-space'
export { ThresholdSearch, type ThresholdBranch } from './threshold-branches'
export type { Hypothesis, ParamShift } from './types'
