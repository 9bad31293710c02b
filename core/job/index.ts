export { apply, emptyStanding, isRetractable, type JobStanding } from './apply'
export {
  EVENT_VERSION,
  isSoundText,
  jobEventSchema,
  moment,
  payloadSchema,
  soundText,
  text,
  type JobEvent,
  type Payload,
  type SequencedEvent,
} from './event-schema'
export { foldJob, inOrder, type Entry, type Job } from './fold-job'
export { missingSteps, refuses, ROLES, type Refusal, type RefusalCode, type Role } from './guard'
export { findTest, vocabularyFrom, type SafetyNeed, type School, type SheetFacts } from './sheet-facts'
export { upcast, type WrittenEvent } from './upcast'
