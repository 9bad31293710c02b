export { apply, emptyStanding, type JobStanding } from './apply'
export {
  EVENT_VERSION,
  isSoundText,
  jobEventSchema,
  moment,
  soundText,
  text,
  type JobEvent,
  type Payload,
  type SequencedEvent,
} from './event-schema'
export { foldJob, type Entry, type Job } from './fold-job'
export { barredFor, missingSteps, refuses, type Refusal, type RefusalCode, type Role } from './guard'
export { FACTS_VERSION, type SafetyNeed, type SheetFacts } from './sheet-facts'
export { stamped } from './stamp'
export { upcast, type WrittenEvent } from './upcast'
