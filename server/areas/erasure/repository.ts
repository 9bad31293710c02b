import type { Transaction } from 'sequelize'
import { database, select } from '../../platform/database'

/** A job that something is erased of. */
export interface ErasedJob {
  id: string
  sheet: string
  revision: string | null
}
const JOB =
  'SELECT j.id, u.sheet, j.revision FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id'

/** Jobs on the machines of a customer; no other row of theirs grows until the transaction ends. */
export const jobsOfCustomer = (
  organisation: string,
  customer: string,
  transaction: Transaction,
): Promise<ErasedJob[]> =>
  select(
    `${JOB} WHERE j.organisation_id = $1 AND s.customer_id = $2 ORDER BY j.id FOR UPDATE OF j`,
    [organisation, customer],
    transaction,
  )

/** Jobs in which somebody entered something. */
export const jobsOfPerson = (organisation: string, person: string, transaction: Transaction): Promise<ErasedJob[]> =>
  select(
    `${JOB} WHERE j.organisation_id = $1 AND (j.opened_by = $2 OR EXISTS (SELECT FROM job_events e WHERE e.job_id = j.id AND e.user_id = $2))
     ORDER BY j.id FOR UPDATE OF j`,
    [organisation, person],
    transaction,
  )

/** What was added to a closed job later is kept from then on, and goes when its own time has come. */
const PAST_KEEPING = `o.keep_papers_months IS NOT NULL AND (j.papers_erased_at IS NULL OR j.papers_erased_at < j.touched_at)
  AND GREATEST(j.closed_at, j.touched_at) < now() - make_interval(months => o.keep_papers_months)
  AND j.closed_at IS NOT NULL AND NOT j.standing ? 'unsafe'`

/** How many jobs of an organisation have papers that are to go. */
export async function papersDue(organisation: string): Promise<number> {
  const [row] = await select<{ due: number }>(
    `SELECT count(*)::int AS due FROM jobs j JOIN organisations o ON o.id = j.organisation_id WHERE o.id = $1 AND ${PAST_KEEPING}`,
    [organisation],
  )
  return row!.due
}

/**
 * Closed jobs whose papers have been kept for as long as their organisation says. Of a machine that was left unsafe they stay: they show
 * who was warned.
 */
export const jobsPastKeeping = (
  most: number,
  transaction: Transaction,
): Promise<(ErasedJob & { organisation: string })[]> =>
  select(
    `SELECT j.id, u.sheet, j.revision, j.organisation_id AS organisation
     FROM jobs j JOIN units u ON u.id = j.unit_id JOIN organisations o ON o.id = j.organisation_id
     WHERE ${PAST_KEEPING}
     ORDER BY j.closed_at LIMIT $1 FOR UPDATE OF j SKIP LOCKED`,
    [most],
    transaction,
  )

/** Erases what persons said, signed and photographed in a job, with its reports. */
export async function erasePapers(job: string, transaction: Transaction): Promise<void> {
  await database().query('SELECT erase_papers($1)', { bind: [job], transaction })
}

export interface Held {
  name: string
  jobs: number
  open: number
  planned: number
  photos: number
  signatures: number
  reports: number
}

/** What is kept of a customer. */
export async function heldOfCustomer(
  organisation: string,
  customer: string,
  transaction?: Transaction,
): Promise<Held | undefined> {
  const [row] = await select<Held>(
    `WITH own AS (SELECT j.id, j.closed_at FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id
       WHERE s.customer_id = $2 AND j.organisation_id = $1)
     SELECT c.name, (SELECT count(*)::int FROM own) AS jobs, (SELECT count(*)::int FROM own WHERE closed_at IS NULL) AS open,
       (SELECT count(*)::int FROM visits v JOIN units u ON u.id = v.unit_id JOIN sites s ON s.id = u.site_id
         WHERE s.customer_id = $2 AND v.ended IS NULL AND v.starts_at > now()) AS planned,
       (SELECT count(*)::int FROM job_events e JOIN own ON own.id = e.job_id WHERE e.payload->>'type' = 'photo') AS photos,
       (SELECT count(*)::int FROM job_events e JOIN own ON own.id = e.job_id
         WHERE e.payload->>'type' = 'signed' AND e.payload->>'name' <> '(erased)') AS signatures,
       (SELECT count(*)::int FROM reports r JOIN own ON own.id = r.job_id) AS reports
     FROM customers c WHERE c.id = $2 AND c.organisation_id = $1`,
    [organisation, customer],
    transaction,
  )
  return row
}

/** Words by which a customer and what belongs to it are found. */
export async function wordsOfCustomer(customer: string, transaction: Transaction): Promise<string[]> {
  const rows = await select<{ word: string }>(
    `WITH places AS (SELECT id FROM sites WHERE customer_id = $1),
       machines AS (SELECT id FROM units WHERE site_id IN (SELECT id FROM places))
     SELECT DISTINCT w AS word FROM findable f, unnest(tsvector_to_array(f.words)) w
     WHERE (f.kind = 'customer' AND f.id = $1) OR (f.kind = 'site' AND f.id IN (SELECT id FROM places))
       OR (f.kind = 'unit' AND f.id IN (SELECT id FROM machines))
       OR (f.kind = 'job' AND f.id IN (SELECT id FROM jobs WHERE unit_id IN (SELECT id FROM machines)))`,
    [customer],
    transaction,
  )
  return rows.map((r) => r.word)
}

/** Words of jobs, by which they are found. */
export async function wordsOfJobs(jobs: readonly string[], transaction: Transaction): Promise<string[]> {
  const rows = await select<{ word: string }>(
    `SELECT DISTINCT w AS word FROM findable f, unnest(tsvector_to_array(f.words)) w WHERE f.kind = 'job' AND f.id = ANY($1::uuid[])`,
    [jobs],
    transaction,
  )
  return rows.map((r) => r.word)
}

/** Lets words go that nothing is found by any more: what was erased is not guessed from what is nearly typed either. */
export async function forgetWords(
  organisation: string,
  words: readonly string[],
  transaction: Transaction,
): Promise<void> {
  await database().query(
    `DELETE FROM findable_vocabulary v WHERE v.organisation_id = $1 AND v.word = ANY($2::text[])
       AND NOT EXISTS (SELECT FROM findable f WHERE f.organisation_id = $1 AND f.kind IN ('customer', 'site', 'unit', 'job', 'part')
         AND f.words @@ to_tsquery('simple', quote_literal(v.word)))`,
    { bind: [organisation, words], transaction },
  )
}

/** A customer, its places and its machines lose what tells who they were; the machines are looked after no more. */
export async function eraseNames(customer: string, transaction: Transaction): Promise<void> {
  const run = (sql: string) => database().query(sql, { bind: [customer], transaction })
  const machines = 'site_id IN (SELECT id FROM sites WHERE customer_id = $1)'
  await run(`UPDATE sites SET name = 'Erased place ' || left(md5(id::text), 6) WHERE customer_id = $1`)
  await run(`UPDATE units SET serial = '', retired_at = COALESCE(retired_at, now()) WHERE ${machines}`)
  await run(
    `UPDATE care_plans SET retired_at = COALESCE(retired_at, now()) WHERE unit_id IN (SELECT id FROM units WHERE ${machines})`,
  )
  await run(`UPDATE visits SET note = '', version = version + 1, changed_at = now()
    WHERE note <> '' AND unit_id IN (SELECT id FROM units WHERE ${machines})`)
  await run(`UPDATE customers SET name = 'Erased customer ' || left(md5(id::text), 6) WHERE id = $1`)
}

/** Somebody who worked here loses name, address and password. @returns their sessions, which have ended */
export async function erasePersonRow(
  organisation: string,
  person: string,
  transaction: Transaction,
): Promise<string[]> {
  // Failed tries to sign in stand under the address.
  await database().query(
    'DELETE FROM sign_in_tries t USING users u WHERE u.id = $1 AND position(lower(u.email) IN lower(t.key)) > 0',
    { bind: [person], transaction },
  )
  await database().query(
    `UPDATE users SET name = 'Former colleague ' || left(md5(id::text), 6), email = 'erased-' || id || '@erased.invalid',
       password_hash = '', kit = NULL, left_at = now() WHERE id = $1 AND organisation_id = $2`,
    { bind: [person, organisation], transaction },
  )
  await database().query('DELETE FROM known_devices WHERE user_id = $1', { bind: [person], transaction })
  await database().query('DELETE FROM calendar_secrets WHERE person_id = $1', { bind: [person], transaction })
  const ended = await select<{ id: string }>(
    'DELETE FROM sessions WHERE user_id = $1 RETURNING id',
    [person],
    transaction,
  )
  return ended.map((s) => s.id)
}

/** Reports carry names: those of some jobs go, and can be made again. */
export async function dropReports(jobs: readonly string[], transaction: Transaction): Promise<void> {
  await database().query('DELETE FROM reports WHERE job_id = ANY($1::uuid[])', { bind: [jobs], transaction })
}

export const hasLeft = async (person: string, transaction: Transaction): Promise<boolean> =>
  (await select('SELECT 1 FROM users WHERE id = $1 AND left_at IS NOT NULL', [person], transaction)).length > 0

/** Visits that somebody is still to make. */
export async function plannedOf(person: string, transaction: Transaction): Promise<number> {
  const [row] = await select<{ planned: number }>(
    'SELECT count(*)::int AS planned FROM visits WHERE person_id = $1 AND ended IS NULL AND starts_at > now()',
    [person],
    transaction,
  )
  return row!.planned
}

export interface ErasureRow {
  id: string
  what: 'customer' | 'person' | 'papers'
  jobs: string[]
  by: string | null
  erased_at: Date
}

export async function insertErasure(
  row: { id: string; organisation: string; what: ErasureRow['what']; jobs: readonly string[]; by: string | null },
  transaction: Transaction,
): Promise<void> {
  await database().query(
    `INSERT INTO erasures (id, organisation_id, what, jobs, erased_by, erased_at) VALUES ($1, $2, $3, $4::uuid[], $5, clock_timestamp())`,
    { bind: [row.id, row.organisation, row.what, row.jobs, row.by], transaction },
  )
}

/** What was erased since a moment, in this order. */
export const erasuresSince = (
  organisation: string,
  since: Date,
  order: 'ASC' | 'DESC',
  most: number,
): Promise<ErasureRow[]> =>
  select(
    `SELECT e.id, e.what, e.jobs, p.name AS by, e.erased_at FROM erasures e LEFT JOIN users p ON p.id = e.erased_by
     WHERE e.organisation_id = $1 AND e.erased_at > $2 ORDER BY e.erased_at ${order} LIMIT $3`,
    [organisation, since, most],
  )
