import type { Job } from '../job'

/** What a report must know of the machine: what things are called, and what is worth saying at the end. Plain data. */
export interface ReportMachine {
  title: string
  maker: string | undefined
  model: string | undefined
  /** Where the figures of its sheet are from. */
  source: string
  complaints: Readonly<Record<string, string>>
  tests: Readonly<Record<string, string>>
  meters: Readonly<Record<string, string>>
  safety: Readonly<Record<string, string>>
  parts: Readonly<Record<string, string>>
  repairs: Readonly<Record<string, string>>
  programs: Readonly<Record<string, string>>
  /** What can be noticed of a run, by lane. */
  lanes: Readonly<Record<string, string>>
  /** Things that have to hold after repairs, and checks of new parts, by id. */
  proofs: Readonly<Record<string, string>>
  checks: Readonly<Record<string, string>>
  settings: readonly { id: string; title: string; usual: string | undefined }[]
  care: readonly { text: string; every: string; why: string }[]
}

/** A reading as the engine judges it. */
export interface JudgedReading {
  title: string
  text: string
  /** With what a healthy machine shows. */
  verdict: string
  fits: 'good' | 'edge' | 'bad' | 'none'
  /** As a customer is told it, where it is off; empty else. */
  found: string
  /** What a healthy machine shows, SI, and what was read; absent where it is no number. */
  band?: { low: number; high: number; si: number }
}

/** What the engine makes of a job. */
export interface ReportJudgement {
  /** By the event that brought it. */
  readings: Readonly<Record<string, JudgedReading>>
  /** Titles of parts that are proven good. */
  proven: readonly string[]
  /** The likeliest cause, and whether it stands. */
  cause: { title: string; stands: boolean } | undefined
}

/** Where and whose it is. */
export interface ReportUnit {
  title: string
  customer: string
  place: string
  serial?: string | undefined
}

/** For whom a report is made: the customer's leaves out what the own people noted for themselves. */
export type ReportReader = 'customer' | 'own'
export type ReportForm = 'one-page' | 'full'

/** A line of a log: when, by whom, and what. */
export interface LogLine {
  at: string
  by: string
  text: string
}

/** A job as it is told at its end. Times are ISO, money in minor units. */
export interface Report {
  job: string
  reader: ReportReader
  unit: ReportUnit
  machine: Pick<ReportMachine, 'title' | 'maker' | 'model' | 'source'>
  opened: { at: string; by: string }
  /** Absent while it is open. */
  closed?: { at: string; by: string; text: string; ending: string }
  people: readonly string[]
  said: { words: string; complaints: readonly string[] }
  /** In plain words, from the evidence. */
  findings: readonly string[]
  readings: readonly (LogLine & {
    title: string
    verdict: string
    fits: JudgedReading['fits']
    meter: string
    live: boolean
    band?: JudgedReading['band']
  })[]
  cause: string
  done: readonly LogLine[]
  newPart: readonly LogLine[]
  parts: readonly { title: string; number: string; count: number; from: string }[]
  condemned: readonly LogLine[]
  proven: readonly LogLine[]
  /** Programs that were watched, with what was noted of each, s since its start. */
  runs: readonly { program: string; at: string; marks: readonly { lane: string; turn: string; seconds: number }[] }[]
  price?: { currency: string; lines: readonly { text: string; minor: number }[]; total: number; answer: string }
  bypasses: readonly LogLine[]
  safety: readonly LogLine[]
  warning?: { text: string; at: string; by: string; answer: string }
  remarks: readonly LogLine[]
  photos: readonly { hash: string; width: number; height: number; about: string; at: string; by: string }[]
  settings: readonly string[]
  care: readonly string[]
  followUp?: { on: string; why: string }
  /** What to have ready for the maker's help line. */
  helpLine: readonly string[]
  signature?: { name: string; strokes: Job['signed'][number]['strokes']; at: string }
  /** Why nobody signed; empty where somebody did or nobody was asked. */
  notSigned: string
}
