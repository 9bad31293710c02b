import type { OnInterval, TraceForm, TraceProblem, TraceSummary } from '../../../core/metering'

/** A trace as it was opened. */
export interface OpenedTrace {
  rows: number
  /** s from its first row to its last. */
  lasts: number
  columns: string[]
  timeIs: TraceForm['timeIs']
}

/** What the worker answers: it keeps the trace, the page draws what it is given. */
export interface TraceApi {
  open(file: File): Promise<{ opened: OpenedTrace } | { problem: TraceProblem }>
  /** A column between two moments, in so many steps, no peak lost. */
  picture(column: number, from: number, to: number, steps: number): [number, number | null][]
  summary(column: number, from: number, to: number): TraceSummary | undefined
  intervals(column: number): OnInterval[]
}
