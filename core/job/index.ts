export { apply } from './apply'
export {
  ENDINGS,
  EVENT_VERSION,
  jobEventSchema,
  type Ending,
  type JobEvent,
  type Payload,
  type SequencedEvent,
} from './event-schema'
export { ACCURACY, DEAD_ACTS, handsGoIn, isBypass, LIVE_ACTS, type HandAct } from '../evidence'
export { foldJob, type Entry, type Job, type WatchedRun } from './fold-job'
export { actsNow, barredFor, missingSteps, othersIn, readiesFor, refuses, ROLES, runActs, type Role } from './guard'
export type { Refusal, RefusalCode } from './refusal'
export { powerState, waterState, type PowerState, type WaterState } from './power-state'
export { FACTS_VERSION, factsOfAll, type ProofNeed, type SafetyNeed, type SheetFacts } from './sheet-facts'
export { asksForFollowUp, CYCLE, isMeasuredDead, PROOF_LIMITS, proofsOf, stillUnproven } from './proof'
export { currency, ERASED_PHOTO, isSoundText, moment, photoHash, soundText, text, uuid } from './schema-basics'
export type { OutcomeLog } from './outcome-log'
export { stamped } from './stamp'
export { emptyStanding, LEAD_OFF, type Confirmation, type Decided, type JobStanding, type Proof } from './standing'
export { writtenOf, type Written } from './written-of'
export { upcast, type WrittenEvent } from './upcast'
