export type * from './contract'
export { traceForm } from './trace-form'
export { TraceBuilder } from './trace-builder'
export { onIntervals, summarise, withPeaks, type TraceSummary } from './look-at-trace'
