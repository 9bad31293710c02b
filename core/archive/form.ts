import { z } from 'zod'
import { currency, isSoundText, ROLES, uuid } from '../job'

/**
 * What stands in an archive: a file of rows for each table, one JSON object a line, its keys named as the columns. Nothing in it can
 * be opened with it: passwords, sessions and secrets of calendars stay where they are. What follows from other rows (states, lists, figures,
 * what is found by words) is left out and made again.
 */
export const ARCHIVE_FORMATS = ['duckweed-archive', 'duckweed-job'] as const
export type ArchiveFormat = (typeof ARCHIVE_FORMATS)[number]
/** Grows when an older program could no longer read what a newer one writes. */
export const ARCHIVE_VERSION = 1

/** Says what a file is; stands in it as `duckweed.json`. */
export const archiveTitle = z.object({
  format: z.enum(ARCHIVE_FORMATS),
  version: z.int().min(1),
  made_at: z.iso.datetime({ offset: true }),
  organisation: z.string(),
})
export type ArchiveTitle = z.infer<typeof archiveTitle>

/** Every other file with what it weighs and hashes to; stands in it as `contents.json`. */
export const archiveContents = z.strictObject({
  files: z.array(
    z.strictObject({
      name: z.string().min(1).max(200),
      bytes: z.int().min(0),
      sha256: z.string().regex(/^[0-9a-f]{64}$/),
    }),
  ),
})
export type ArchiveContents = z.infer<typeof archiveContents>

const LONGEST = 20_000
const said = z.string().max(LONGEST).refine(isSoundText, 'holds a character that cannot be kept')
const id = uuid
const moment = z.iso.datetime({ offset: true })
const hash = z.string().regex(/^[0-9a-f]{64}$/)
const whole = z
  .int()
  .min(-(2 ** 31))
  .max(2 ** 31 - 1)
const list = z.array(said).max(200)

const organisation = z.strictObject({
  id,
  name: said.min(1),
  time_zone: said.min(1),
  currency,
  hour_minor: whole.min(1),
  work_begins: whole,
  work_ends: whole,
  travel_minutes: whole,
  keep_papers_months: whole.min(1).nullable(),
})
const person = z.strictObject({
  id,
  email: said.min(3),
  name: said.min(1),
  role: z.enum(ROLES),
  kit: z.json().nullable(),
  left_at: moment.nullable(),
})
const revision = z.strictObject({
  hash,
  sheet: said.min(1),
  number: whole.min(1),
  language: whole.min(1),
  title: said,
  files: z.array(z.strictObject({ id: said.min(1), file: said.min(1), text: z.string().max(2_000_000) })).min(1),
  published_at: moment,
})
const part = z.strictObject({
  id,
  number: said.min(1),
  title: said.min(1),
  kind: said,
  fits: list,
  kit: list,
  substitutes: list,
  volts: said,
  degrees: said,
  contact: said,
  thread: said,
  price_minor: whole.nullable(),
  reorder_at: whole,
  retired_at: moment.nullable(),
})
const stockMove = z.strictObject({
  id,
  part_id: id,
  type: z.enum(['moved', 'received', 'counted', 'used', 'put-back']),
  from_store: said.nullable(),
  to_store: said.nullable(),
  count: whole.min(0),
  job_id: id.nullable(),
  moved_by: id,
  moved_at: moment,
})
const job = z.strictObject({
  id,
  unit_id: id,
  revision: hash.nullable(),
  opened_by: id,
  created_at: moment,
  closed_at: moment.nullable(),
  touched_at: moment,
  touched_by: id,
  seq: whole.min(0),
  papers_erased_at: moment.nullable(),
  /** Minutes to the cause that were expected when it was closed. */
  expected: z.number().nullable(),
})
const event = z.strictObject({
  id,
  job_id: id,
  seq: whole.min(1),
  user_id: id,
  version: whole.min(1),
  at: moment,
  device: said,
  ordinal: whole.nullable(),
  base_seq: whole.nullable(),
  payload: z.json(),
  received_at: moment,
})
const visit = z.strictObject({
  id,
  unit_id: id,
  job_id: id.nullable(),
  care_plan_id: id.nullable(),
  person_id: id,
  starts_at: moment,
  minutes: whole,
  reason: z.enum(['call', 'return', 'care']),
  note: said,
  ended: z.enum(['done', 'cancelled']).nullable(),
  version: whole,
  made_by: id,
  made_at: moment,
  changed_at: moment,
})

/** A row of each file. They stand in the order in which they are read: each row names only what came before it. */
export const ARCHIVE_ROWS = {
  organisation,
  people: person,
  revisions: revision,
  customers: z.strictObject({ id, name: said.min(1) }),
  sites: z.strictObject({ id, customer_id: id, name: said.min(1) }),
  units: z.strictObject({
    id,
    site_id: id,
    sheet: said.min(1),
    title: said.min(1),
    serial: said,
    retired_at: moment.nullable(),
    created_at: moment,
  }),
  meters: z.strictObject({ id, name: said, host: said, port: whole, allowed_by: id, allowed_at: moment }),
  parts: part,
  stock_levels: z.strictObject({ part_id: id, store: said.min(1), count: whole }),
  care_plans: z.strictObject({
    id,
    unit_id: id,
    title: said,
    every_days: whole,
    minutes: whole,
    last_done: z.iso.date().nullable(),
    water: z.json().nullable(),
    retired_at: moment.nullable(),
  }),
  /** The picture itself stands beside it, as `photos/<hash>.jpg`. */
  photos: z.strictObject({ hash, created_by: id, created_at: moment }),
  jobs: job,
  /** Of one job after the other, each in its order. */
  events: event,
  stock_moves: stockMove,
  visits: visit,
  /** What was erased of persons, and when; what it was stands nowhere. */
  erasures: z.strictObject({
    id,
    what: z.enum(['customer', 'person', 'papers']),
    jobs: z.array(id),
    erased_by: id.nullable(),
    erased_at: moment,
  }),
  /** What was brought in before in a bundle. */
  job_imports: z.strictObject({ id, job_id: id, events: z.array(id), brought_by: id, brought_at: moment }),
} as const

export type ArchiveTable = keyof typeof ARCHIVE_ROWS
export type ArchiveRow<T extends ArchiveTable> = z.infer<(typeof ARCHIVE_ROWS)[T]>
const ARCHIVE_TABLES = Object.keys(ARCHIVE_ROWS) as ArchiveTable[]

/** What a job bundle holds of it, and what of its people: it is handed on, so that it says who they are and no more. */
const BUNDLED: readonly ArchiveTable[] = [
  'people',
  'revisions',
  'customers',
  'sites',
  'units',
  'photos',
  'jobs',
  'events',
]
const named = z.strictObject({ id, name: said.min(1) })

export const tablesOf = (format: ArchiveFormat): readonly ArchiveTable[] =>
  format === 'duckweed-job' ? BUNDLED : ARCHIVE_TABLES
export const rowOf = (format: ArchiveFormat, table: ArchiveTable): z.ZodObject =>
  format === 'duckweed-job' && table === 'people' ? named : ARCHIVE_ROWS[table]
/** The columns of a table that are written. */
export const columnsOf = (format: ArchiveFormat, table: ArchiveTable): string[] =>
  Object.keys(rowOf(format, table).shape)

export const rowsFile = (table: ArchiveTable): string => `${table}.jsonl`
export const photoFile = (hash: string): string => `photos/${hash}.jpg`
