import { QueryTypes, type Transaction } from 'sequelize'
import { upcast, type JobEvent, type JobStanding, type SequencedEvent, type WrittenEvent } from '../../../core/job'
import { database } from '../../platform/database'

const EVENT = `e.id, e.job_id, e.seq, e.version, e.at, e.device, e.ordinal, e.base_seq, e.payload, p.name AS by`

export interface LockedJob {
  id: string
  unit: string
  revision: string | null
  sheet: string
  seq: number
  standing: JobStanding | null
}

/** A job of an organisation, locked against other appends until the transaction ends. */
export async function lockJob(
  id: string,
  organisation: string,
  transaction: Transaction,
): Promise<LockedJob | undefined> {
  const [row] = await database().query<LockedJob>(
    `SELECT j.id, j.unit_id AS unit, j.revision, u.sheet, j.seq, j.standing
     FROM jobs j JOIN units u ON u.id = j.unit_id
     WHERE j.id = $1 AND j.organisation_id = $2 FOR UPDATE OF j`,
    { bind: [id, organisation], type: QueryTypes.SELECT, transaction },
  )
  return row
}

/** Makes the row of a job that is not there yet. An id that is taken anywhere is left as it is. */
export async function insertJob(
  row: { id: string; organisation: string; unit: string; revision: string; openedBy: string; at: Date },
  transaction: Transaction,
): Promise<void> {
  await database().query(
    `INSERT INTO jobs (id, organisation_id, unit_id, revision, opened_by, created_at, touched_at, touched_by)
     VALUES ($1, $2, $3, $4, $5, $6, $6, $5) ON CONFLICT DO NOTHING`,
    { bind: [row.id, row.organisation, row.unit, row.revision, row.openedBy, row.at], transaction },
  )
}

/** A job of an organisation, with events that are asked for. */
export interface WantedJob {
  id: string
  organisation: string
  events: readonly string[]
}
export interface JobWithEvents {
  job: LockedJob
  known: { job: string; event: SequencedEvent }[]
}

/**
 * Jobs as they stand now with those of the events that are there already, in one statement and without a lock: what
 * is written on them afterwards holds only where nobody wrote in between (`writeEvents`).
 *
 * @returns one for each job asked for, in that order; undefined for one that is not there
 */
export async function readForAppend(wanted: readonly WantedJob[]): Promise<(JobWithEvents | undefined)[]> {
  const rows = await database().query<
    LockedJob & { n: number; known: (Omit<EventRow, 'at'> & { at: string })[] | null }
  >(
    `SELECT w.n, j.id, j.unit_id AS unit, j.revision, u.sheet, j.seq, j.standing,
       (SELECT jsonb_agg(to_jsonb(k)) FROM (
          SELECT ${EVENT} FROM job_events e JOIN users p ON p.id = e.user_id
          WHERE e.id = ANY (SELECT x::uuid FROM jsonb_array_elements_text(w.events) x)) k) AS known
     FROM jsonb_to_recordset($1::jsonb) AS w (n int, id uuid, organisation uuid, events jsonb)
       JOIN jobs j ON j.id = w.id AND j.organisation_id = w.organisation JOIN units u ON u.id = j.unit_id`,
    { bind: [JSON.stringify(wanted.map((w, n) => ({ n, ...w })))], type: QueryTypes.SELECT },
  )
  const out: (JobWithEvents | undefined)[] = wanted.map(() => undefined)
  for (const { n, known, ...job } of rows)
    out[n] = {
      job,
      known: (known ?? []).map((k) => ({ job: k.job_id, event: toEvent({ ...k, at: new Date(k.at) }) })),
    }
  return out
}

interface EventRow {
  id: string
  job_id: string
  seq: number
  version: number
  at: Date
  device: string
  ordinal: number | null
  base_seq: number | null
  payload: unknown
  by: string
}

const toWritten = (row: EventRow): WrittenEvent => ({
  id: row.id,
  version: row.version,
  at: row.at.toISOString(),
  device: row.device,
  ordinal: row.ordinal,
  baseSeq: row.base_seq,
  payload: row.payload,
  seq: row.seq,
})
const toEvent = (row: EventRow): SequencedEvent => ({ ...upcast(toWritten(row)), seq: row.seq, by: row.by })

/** Events by their ids, of whatever job; with what retractions among them name, and what those name. */
export async function findEvents(
  ids: readonly string[],
  transaction: Transaction,
): Promise<{ job: string; event: SequencedEvent }[]> {
  const out: { job: string; event: SequencedEvent }[] = []
  let wanted = [...ids]
  while (wanted.length) {
    const rows = await database().query<EventRow>(
      `SELECT ${EVENT} FROM job_events e JOIN users p ON p.id = e.user_id WHERE e.id = ANY($1::uuid[])`,
      { bind: [wanted], type: QueryTypes.SELECT, transaction },
    )
    const found = rows.map((row) => ({ job: row.job_id, event: toEvent(row) }))
    out.push(...found)
    const known = new Set(out.map((o) => o.event.id))
    wanted = found.flatMap(({ event: { payload } }) =>
      payload.type === 'retracted' && !known.has(payload.event) ? [payload.event] : [],
    )
  }
  return out
}

/** Events of a job after a sequence, in order, at most so many. */
export async function eventsAfter(
  job: string,
  after: number,
  most: number,
  transaction?: Transaction,
): Promise<SequencedEvent[]> {
  const rows = await database().query<EventRow>(
    `SELECT ${EVENT} FROM job_events e JOIN users p ON p.id = e.user_id
     WHERE e.job_id = $1 AND e.seq > $2 ORDER BY e.seq LIMIT $3`,
    { bind: [job, after, most], type: QueryTypes.SELECT, transaction },
  )
  return rows.map(toEvent)
}

/** What is to be written of one job. */
export interface JobWrite {
  job: string
  /** Sequence of the job that the events were judged against. */
  after: number
  person: string
  events: readonly (JobEvent & { seq: number; shownAt: Date })[]
  standing: JobStanding
  received: Date
}

/**
 * Writes new events of one job or of several, and what each has come to with them, in one statement: under the row
 * lock of each job, and only where it still stands at the sequence that the events follow. Of several jobs each is
 * written or not by itself.
 *
 * @returns ids of the jobs that were written; for the others somebody else wrote meanwhile
 */
export async function writeEvents(writes: readonly JobWrite[], transaction?: Transaction): Promise<Set<string>> {
  const jobs = writes.map((w) => ({
    job: w.job,
    after: w.after,
    person: w.person,
    seq: w.standing.seq,
    standing: w.standing,
    received: w.received,
    closed: w.standing.closed !== undefined,
    bypassed: w.standing.bypasses.length > 0,
  }))
  const events = writes.flatMap((w) =>
    w.events.map((e) => ({
      id: e.id,
      job: w.job,
      person: w.person,
      version: e.version,
      at: e.shownAt,
      device: e.device,
      ordinal: e.ordinal,
      base_seq: e.baseSeq,
      payload: e.payload,
      seq: e.seq,
      received: w.received,
    })),
  )
  const written = await database().query<{ id: string }>(
    `WITH own AS (
       UPDATE jobs j SET seq = w.seq, standing = w.standing, touched_at = w.received, touched_by = w.person,
         closed_at = CASE WHEN w.closed THEN COALESCE(closed_at, w.received) END, bypassed = w.bypassed
       FROM jsonb_to_recordset($1::jsonb) AS w
         (job uuid, after int, person uuid, seq int, standing jsonb, received timestamptz, closed boolean, bypassed boolean)
       WHERE j.id = w.job AND j.seq = w.after RETURNING j.id),
     fresh AS (
       INSERT INTO job_events (id, job_id, user_id, version, at, device, ordinal, base_seq, payload, seq, received_at)
       SELECT r.id, own.id, r.person, r.version, r.at, r.device, r.ordinal, r.base_seq, r.payload, r.seq, r.received
       FROM jsonb_to_recordset($2::jsonb) AS r
         (id uuid, job uuid, person uuid, version int, at timestamptz, device text, ordinal int, base_seq int,
          payload jsonb, seq int, received timestamptz) JOIN own ON own.id = r.job)
     SELECT id FROM own`,
    { bind: [JSON.stringify(jobs), JSON.stringify(events)], type: QueryTypes.SELECT, transaction },
  )
  return new Set(written.map((w) => w.id))
}

/** Writes what a job is listed and looked for by: its machine, what is complained of, the words and the repair. */
export async function writeWords(
  job: string,
  complaints: readonly string[],
  more: readonly string[],
  transaction?: Transaction,
): Promise<void> {
  await database().query(
    `WITH own AS (
       SELECT j.id, u.title, u.serial, c.name AS customer, s.name AS place, p.name AS opened_by
       FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id
         JOIN customers c ON c.id = s.customer_id JOIN users p ON p.id = j.opened_by WHERE j.id = $1),
     listed AS (
       UPDATE jobs j SET listed = jsonb_build_object('title', o.title, 'customer', o.customer, 'place', o.place,
         'complaints', $2::jsonb, 'openedBy', o.opened_by) FROM own o WHERE j.id = o.id)
     INSERT INTO job_words (job_id, search)
       SELECT id, lower(concat_ws(' ', title, serial, customer, place, $3::text)) FROM own
     ON CONFLICT (job_id) DO UPDATE SET search = EXCLUDED.search`,
    { bind: [job, JSON.stringify(complaints), [...complaints, ...more].join(' ')], transaction },
  )
}

/** Jobs whose state was never folded, of before it was kept. */
export const unfoldedJobs = (): Promise<{ id: string; sheet: string; revision: string | null }[]> =>
  database().query(
    `SELECT j.id, u.sheet, j.revision FROM jobs j JOIN units u ON u.id = j.unit_id WHERE j.standing IS NULL`,
    { type: QueryTypes.SELECT },
  )

/** What a job has come to, folded anew; when it was closed stays where that is known. */
export async function writeStanding(job: string, standing: JobStanding, transaction?: Transaction): Promise<void> {
  const { closed, bypasses } = standing
  await database().query(
    `UPDATE jobs SET standing = $2::jsonb, bypassed = $3, closed_at = CASE WHEN $4 THEN COALESCE(closed_at, $5) END WHERE id = $1`,
    {
      bind: [job, JSON.stringify(standing), bypasses.length > 0, closed !== undefined, closed?.at ?? null],
      transaction,
    },
  )
}
