import type { ReadingValue } from '../../core/foundation/quantity'

export type Strategy =
  'best' | 'live-first' | 'dead-first' | 'water-first' | 'by-hand-first' | 'control-first' | 'own-sequence'
export type Acceptance = 'published' | 'sibling' | 'not-open-or-short' | 'kind-band'

/** What the log of a job says, as it is written in events; `event` is where an answer about it belongs. */
export type Written =
  | { complaint: string }
  | { circumstance: string }
  | { event: string; action: string }
  /** `value`: as it was understood where it was typed; absent in entries of before, whose text is read again. */
  | { event: string; test: string; reading: string; value?: ReadingValue; instrument?: string }
