export { describeProblem } from './describe-problem'
export { describeRefusal } from './describe-refusal'
export { formatChance } from './format-chance'
