import type { SafetyEffect } from '../evidence'
import type { Ending } from './event-schema'

/** A safety step that stands as done. */
export interface Confirmation {
  by: string
  at: string
  seq: number
  does?: SafetyEffect
}

/** Behind the id of a part: a lead of it is off. */
export const LEAD_OFF = '.lead'

/**
 * What a job has come to, without its log: all that the guard and the lists need, kept with the job's row. It grows
 * with what stands, not with the number of events.
 */
export interface JobStanding {
  /** Sequence of the last event applied; 0 for a job that is not opened. */
  seq: number
  unit: string | undefined
  /** Revision of the sheet it was begun with; `undefined` for jobs of before revisions were kept. */
  revision: string | undefined
  words: string
  complaints: string[]
  /** What was said of the days before; absent where nothing was. */
  circumstances?: string[]
  /** What the machine has or has not, where it is otherwise than its sheet says; absent where it is as that says. */
  options?: { id: string; fitted: boolean }[]
  /** Ids of the standing confirmations of each safety step. */
  safety: Record<string, string[]>
  /** Of them, those that the next live work takes back; absent where none is. */
  untilLive?: string[]
  /** Who confirmed a step, when, and what it brought about, by the event; absent in states of before it was kept. */
  confirmed?: Record<string, Confirmation>
  /** Who has had hands in the machine and has not said that they are out, with when (by sequence). */
  handsIn?: Record<string, number>
  /** When and by whom it was last worked on with its power on. */
  live?: { at: string; by: string }
  /** Whether somebody shut its water or opened it again; absent where nobody did, or where it is in doubt. */
  water?: { shut: boolean; at: string; by: string; seq: number }
  /** Parts with a jumper still in, by id; those with a lead still lifted, by id and `LEAD_OFF`. */
  bypasses: string[]
  /** What they are called, by id, where their sheet says. */
  bypassTitles?: Record<string, string>
  /** Live tests whose tips sit where they are read, clipped on dead; absent where none do. */
  clips?: string[]
  strategy: string
  acceptance: string
  readings: number
  notes: number
  repairs: number
  /** What hands have disconnected and not put back, the first one first; absent where nothing is off. */
  disconnected?: { label: string; name: string }[]
  /** Ids of events taken back. */
  gone: string[]
  /** Who entered the last event. */
  by: string
  /** Sequence of the last reopening, or of the first entry of another day: what was made safe before it is safe no more. */
  reopenedSeq?: number
  /** Sequence of the last work on the powered machine. */
  liveSeq?: number
  /** When the last entry was made. */
  lastAt?: string
  closed: { event: string; seq: number; repair: string; text: string; at: string; by: string; as?: Ending } | undefined
  /** What is waited for; absent while nothing is. */
  awaits?: {
    what: 'part' | 'person' | 'customer'
    text: string
    parts?: { title: string; number?: string | undefined }[]
    until?: string
    at: string
    by: string
  }
  /** What is to be done, as it was decided last; absent before, and once it was found not to do. */
  decided?: Decided
  /** What was proved of it since, by the event that said so; absent where nothing was. */
  proofs?: Record<string, Proof>
  /** The program that was watched last, and whether it came to its end. */
  watched?: { event: string; seq: number; over: boolean }
  /** The price that the customer was told last, and what they said. */
  quote?: { event: string; total: number; currency: string; yes?: boolean; who?: string }
  /** It is left unsafe, with its warning; `answered`: that was signed for, or refused. */
  unsafe?: { event: string; at: string; by: string; answered?: boolean }
  /** Somebody looks at it again. */
  followUp?: { on: string; why: string }
}

export interface Decided {
  event: string
  seq: number
  repair: string
  as: 'for-good' | 'interim'
  until?: string
  returns?: true
  at: string
  by: string
}

/** What was said of one thing that has to hold. */
export interface Proof {
  item: string
  as: 'passed' | 'failed' | 'not-needed'
  seq: number
  at: string
  by: string
}

export const emptyStanding: JobStanding = {
  seq: 0,
  unit: undefined,
  revision: undefined,
  words: '',
  complaints: [],
  safety: {},
  bypasses: [],
  strategy: 'best',
  acceptance: 'published',
  readings: 0,
  notes: 0,
  repairs: 0,
  gone: [],
  by: '',
  closed: undefined,
}

/** Entries further apart than this are of two visits: nobody knows what the machine has been through, ms. */
const ANOTHER_DAY = 8 * 3600e3

/** A job as it stands at a moment: what was made safe on another day is safe no more. */
export function standingAt<S extends Pick<JobStanding, 'safety' | 'lastAt'>>(job: S, at: string): S {
  const away = job.lastAt === undefined ? 0 : Date.parse(at) - Date.parse(job.lastAt)
  return away > ANOTHER_DAY ? { ...job, safety: {} } : job
}
