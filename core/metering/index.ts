export type * from './contract'
export { traceForm } from './trace-form'
export { TraceBuilder } from './trace-builder'
export {
  LINK_TROUBLES,
  METER_READS,
  NEXT_ERROR,
  openingLines,
  READ,
  readAnswer,
  readError,
  readsFor,
  shownText,
  type LinkTrouble,
  type MeterReads,
} from './scpi'
export { Settling } from './settled'
export { callsIn, seenCalls, type SeenCall } from './against-calls'
export { LiveTrace } from './live-trace'
export { writeTrace } from './write-trace'
export { onIntervals, placeAt, summarise, withPeaks, type TraceSummary } from './look-at-trace'
