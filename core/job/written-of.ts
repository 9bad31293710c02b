import type { ReadingValue } from '../foundation/quantity'
import type { Job } from './fold-job'

/** What the log of a job says, as it is written in events; `event` is where an answer about it belongs. */
export type Written =
  | { complaint: string }
  | { circumstance: string }
  | { event: string; action: string }
  /** `value`: as it was understood where it was typed; absent in entries of before, whose text is read again. */
  | { event: string; test: string; reading: string; value?: ReadingValue; instrument?: string; accuracy?: number }

/** The same value from the device and from the server is the same evidence: a table keeps fields in an order of its own. */
const inOneOrder = <T extends object>(value: T): T => Object.fromEntries(Object.entries(value).sort()) as T

/** A job as evidence: what was said, read and done, in the order of the fold. Plain data. */
export const writtenOf = (job: Pick<Job, 'complaints' | 'circumstances' | 'log'>): Written[] => [
  ...job.complaints.map((complaint) => ({ complaint })),
  ...(job.circumstances ?? []).map((circumstance) => ({ circumstance })),
  ...job.log.map((l) =>
    l.type === 'reading'
      ? {
          event: l.event,
          test: l.test,
          reading: l.text,
          ...(l.value === undefined ? {} : { value: inOneOrder(l.value) }),
          ...(l.instrument === undefined ? {} : { instrument: l.instrument }),
          ...(l.accuracy === undefined ? {} : { accuracy: l.accuracy }),
        }
      : { event: l.event, action: `${l.action.verb} ${l.action.target ?? ''}`.trim() },
  ),
]
