export { apply } from './apply'
export {
  ENDINGS,
  EVENT_VERSION,
  isSoundText,
  jobEventSchema,
  moment,
  photoHash,
  soundText,
  text,
  type Ending,
  type JobEvent,
  type Payload,
  type SequencedEvent,
} from './event-schema'
export { ACCURACY, DEAD_ACTS, handsGoIn, isBypass, LIVE_ACTS, type HandAct } from '../evidence'
export { foldJob, type Entry, type Job, type WatchedRun } from './fold-job'
export {
  actsNow,
  barredFor,
  missingSteps,
  othersIn,
  refuses,
  runActs,
  type Refusal,
  type RefusalCode,
  type Role,
} from './guard'
export { powerState, waterState, type PowerState, type WaterState } from './power-state'
export { FACTS_VERSION, factsOfAll, type SafetyNeed, type SheetFacts } from './sheet-facts'
export { stamped } from './stamp'
export { emptyStanding, LEAD_OFF, type Confirmation, type JobStanding } from './standing'
export { upcast, type WrittenEvent } from './upcast'
