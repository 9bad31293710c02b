export { describeArchiveFault } from './describe-archive-fault'
export { describeAnswer, type AnswerCode } from './describe-answer'
export { capital } from './capital'
export { describeWork } from './describe-work'
export { describeBench } from './describe-bench'
export { describeFieldProblem, describeFinding, describeFormula, describeOutcome, toolWords } from './measuring'
export { describeBypass, describeStanding } from './describe-bypass'
export { describePanel, describePlace, describeSeat } from './describe-access'
export { describeCandidate } from './describe-candidate'
export { describeAwaited, describeEnding } from './describe-ending'
export { describeTipping, formatAbout, formatMoney, minorUnits } from './describe-decision'
export { describeFound } from './describe-found'
export { describeNewPartCheck } from './describe-new-part'
export { describeImpossible } from './describe-impossible'
export { describeLacking, describeSilentBeeper } from './describe-meter'
export { describeProblem } from './describe-problem'
export { describeProof } from './describe-proof'
export { describeProofLimit, describeProofNeed, describeRiskLeft, type ProofSort } from './describe-proof-need'
export { describeRefusal } from './describe-refusal'
export {
  describeCautions,
  describeHow,
  describeLoss,
  describeRow,
  describeStep,
  describeStrip,
  describeStripCaution,
  describeTest,
} from './describe-test'
export { describePosition, describeTiming } from './describe-timing'
export { describeDoubt, describeVerdict, formatFinding } from './describe-verdict'
export { describeCue, describeLane, describeNextCall, describeSuspectTurn, formatClock } from './describe-run'
export { describeLink, describeSeenCall } from './describe-link'
export { describeTraceProblem } from './describe-trace'
export { describeWhyNot, type WhyNot } from './describe-why-not'
export { formatChance } from './format-chance'
export { formatPrediction, formatReading } from './format-reading'
export { formatSuspect, UNKNOWN_FAULT } from './format-suspect'
export { formatWorkMode } from './format-work-mode'
export {
  describeAbout,
  describeBypassEntry,
  describeHelpLine,
  describeNothingFound,
  describeProven,
  describeProvenItem,
  describeReportState,
} from './describe-report'
export { describeClash, describeDue, describeReason } from './describe-schedule'
export { describeSetting, type SettingSaid } from './describe-setting'
export { describeStandIn, describeStock } from './describe-stock'
export { describeStore, STORES } from './describe-store'
export { spokenAnswer, type SpokenAnswer } from './spoken-answer'
export { TOOLS, type Tool } from './tools'
export { describePiece, type NamedEnd, type NamedPiece } from './describe-piece'
