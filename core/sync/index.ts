export { boundedMoment, clockOffset, WORTH_A_WORD } from './clock'
export { layBehind, mergeEvents } from './merge'
export {
  emptyOutbox,
  restoreOutbox,
  transition,
  type EventResult,
  type Outbox,
  type OutboxEffect,
  type OutboxEntry,
  type OutboxInput,
} from './outbox'
