import type { TestStrategy } from '../../core/evidence'
import type { ReadingValue } from '../../core/foundation/quantity'

export type { Acceptance } from '../../core/model/machine'
export type Strategy = TestStrategy

/** What the log of a job says, as it is written in events; `event` is where an answer about it belongs. */
export type Written =
  | { complaint: string }
  | { circumstance: string }
  | { event: string; action: string }
  /** `value`: as it was understood where it was typed; absent in entries of before, whose text is read again. */
  | { event: string; test: string; reading: string; value?: ReadingValue; instrument?: string; accuracy?: number }
