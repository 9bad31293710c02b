import type { Problem } from '../foundation/issues'

/** Why an event was not taken. The sentence for each stands in the words room. */
export type RefusalCode =
  | 'make-safe-first'
  | 'hands-in'
  | 'bypass-in'
  | 'still-off'
  | 'clips-in'
  | 'unproven'
  | 'not-decided'
  | 'no-cycle'
  | 'unsafe-unfinished'
  | 'photo-missing'
  | 'closed'
  | 'not-opened'
  | 'opened-twice'
  | 'no-live-work'
  | 'read-only'
  | 'unknown-name'
  | 'bad-reading'
  | 'not-retractable'
  | 'wrong-shape'
  | 'too-large'
  | 'id-taken'
  | 'unknown-unit'
  | 'unknown-revision'

export interface Refusal {
  code: RefusalCode
  /** Steps still missing, parts still bridged, people whose hands are in. */
  names?: string[]
  /** What is wrong with the names and readings of it. */
  problems?: Problem[]
}
