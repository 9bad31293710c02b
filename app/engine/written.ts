export type Strategy = 'best' | 'live-first' | 'dead-first' | 'water-first'
export type Acceptance = 'published' | 'sibling' | 'not-open-or-short'

/** What the log of a job says, as it is written in events; `event` is where an answer about it belongs. */
export type Written =
  | { complaint: string }
  | { event: string; action: string }
  | { event: string; test: string; reading: string; instrument?: string }
