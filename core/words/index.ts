export { describeAnswer, type AnswerCode } from './describe-answer'
export { describeProblem } from './describe-problem'
export { describeRefusal } from './describe-refusal'
export { formatChance } from './format-chance'
