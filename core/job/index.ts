export { emptyJob, foldJob, inOrder, type Job } from './fold'
export { missingSteps, refuses, type Refusal, type School } from './guard'
export type { Happening, JobEvent, SafetyNeed } from './events'
