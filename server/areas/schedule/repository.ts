import type { Transaction } from 'sequelize'
import type { Outlook } from '../../../core/advice'
import type { CarePlan, VisitFields } from '../../../shared/contracts/schedule'
import { select } from '../../platform/database'

export interface WorkRow {
  begins: number
  ends: number
  travel: number
}

export async function workOf(organisation: string): Promise<WorkRow> {
  const [row] = await select<WorkRow>(
    'SELECT work_begins AS begins, work_ends AS ends, travel_minutes AS travel FROM organisations WHERE id = $1',
    [organisation],
  )
  return row!
}

export interface VisitRow {
  id: string
  unit: string
  title: string
  customer: string
  place: string
  job: string | null
  care_plan: string | null
  person: string
  starts_at: Date
  minutes: number
  reason: VisitFields['reason']
  about: string
  note: string
  ended: VisitFields['ended']
  version: number
}

const VISIT = `v.id, u.id AS unit, u.title, c.name AS customer, s.name AS place, v.job_id AS job, v.care_plan_id AS care_plan,
  v.person_id AS person, v.starts_at, v.minutes, v.reason, v.note, v.ended, v.version,
  COALESCE(p.title, array_to_string(ARRAY(SELECT jsonb_array_elements_text(j.listed->'complaints')), ', '), '') AS about
  FROM visits v JOIN units u ON u.id = v.unit_id JOIN sites s ON s.id = u.site_id JOIN customers c ON c.id = s.customer_id
  LEFT JOIN jobs j ON j.id = v.job_id LEFT JOIN care_plans p ON p.id = v.care_plan_id`

interface Span {
  organisation: string
  from: Date
  until: Date
  person?: string | undefined
}

/** Visits that begin in a span; those that were called off only where asked for. */
export const visitsIn = (
  { organisation, from, until, person }: Span,
  { cancelled = false } = {},
): Promise<VisitRow[]> =>
  select<VisitRow>(
    `SELECT ${VISIT} WHERE v.organisation_id = $1 AND v.starts_at >= $2 AND v.starts_at < $3
       AND ($4::uuid IS NULL OR v.person_id = $4) AND ($5 OR v.ended IS DISTINCT FROM 'cancelled')
     ORDER BY v.starts_at, v.id LIMIT 2000`,
    [organisation, from, until, person ?? null, cancelled],
  )

export async function findVisit(
  organisation: string,
  id: string,
  transaction?: Transaction,
): Promise<VisitRow | undefined> {
  const [row] = await select<VisitRow>(
    `SELECT ${VISIT} WHERE v.organisation_id = $1 AND v.id = $2`,
    [organisation, id],
    transaction,
  )
  return row
}

export type VisitWrite = Omit<VisitFields, 'day' | 'start'> & { startsAt: Date }

/**
 * Writes a visit; whose machine, job, plan and person are all the organisation's own.
 *
 * @returns whether it was written: not where one of them is another's, or another version stands there
 */
export async function writeVisit(
  who: { organisation: string; id: string },
  id: string,
  v: VisitWrite,
  transaction: Transaction,
): Promise<boolean> {
  const rows = await select<{ id: string }>(
    `INSERT INTO visits (id, organisation_id, unit_id, job_id, care_plan_id, person_id, starts_at, minutes, reason, note, ended, made_by)
     SELECT $1, $2, n.id, $4, $5, p.id, $7, $8, $9, $10, $11, $12 FROM units n, users p
     WHERE n.id = $3 AND n.organisation_id = $2 AND p.id = $6 AND p.organisation_id = $2
       AND ($4::uuid IS NULL OR EXISTS (SELECT FROM jobs j WHERE j.id = $4 AND j.organisation_id = $2 AND j.unit_id = n.id))
       AND ($5::uuid IS NULL OR EXISTS (SELECT FROM care_plans c WHERE c.id = $5 AND c.organisation_id = $2 AND c.unit_id = n.id))
     ON CONFLICT (id) DO UPDATE SET person_id = excluded.person_id, starts_at = excluded.starts_at, minutes = excluded.minutes,
       reason = excluded.reason, note = excluded.note, ended = excluded.ended, version = visits.version + 1, changed_at = now()
       WHERE visits.organisation_id = $2 AND visits.version = $13
     RETURNING id`,
    [
      id,
      who.organisation,
      v.unit,
      v.job,
      v.carePlan,
      v.person,
      v.startsAt,
      v.minutes,
      v.reason,
      v.note,
      v.ended,
      who.id,
      v.version,
    ],
    transaction,
  )
  return rows.length > 0
}

export interface CareRow {
  id: string
  unit: string
  title: string
  customer: string
  place: string
  about: string
  every_days: number
  minutes: number
  last_done: string | null
  water: CarePlan['water']
  retired_at: Date | null
}

const CARE = `p.id, u.id AS unit, u.title, c.name AS customer, s.name AS place, p.title AS about, p.every_days, p.minutes,
  p.last_done::text, p.water, p.retired_at
  FROM care_plans p JOIN units u ON u.id = p.unit_id JOIN sites s ON s.id = u.site_id JOIN customers c ON c.id = s.customer_id`

/** Care that is due until a day and has no visit yet, the longest overdue first. */
export const careToPlace = (organisation: string, until: string): Promise<CareRow[]> =>
  select<CareRow>(
    `SELECT ${CARE} WHERE p.organisation_id = $1 AND p.retired_at IS NULL AND u.retired_at IS NULL
       AND COALESCE(p.last_done + p.every_days, DATE '0001-01-01') <= $2::date
       AND NOT EXISTS (SELECT FROM visits v WHERE v.care_plan_id = p.id AND v.ended IS NULL)
     ORDER BY COALESCE(p.last_done + p.every_days, DATE '0001-01-01'), p.id LIMIT 100`,
    [organisation, until],
  )

export const careOf = (organisation: string, unit: string): Promise<CareRow[]> =>
  select<CareRow>(
    `SELECT ${CARE} WHERE p.organisation_id = $1 AND p.unit_id = $2 AND p.retired_at IS NULL ORDER BY p.title, p.id LIMIT 100`,
    [organisation, unit],
  )

export async function findCare(
  organisation: string,
  id: string,
  transaction: Transaction,
): Promise<CareRow | undefined> {
  const [row] = await select<CareRow>(
    `SELECT ${CARE} WHERE p.organisation_id = $1 AND p.id = $2`,
    [organisation, id],
    transaction,
  )
  return row
}

interface CareWrite {
  unit: string
  title: string
  everyDays: number
  minutes: number
  lastDone: string | null
  water: CarePlan['water']
  retired: boolean
}

/** @returns whether it was written: not where the machine or the plan is another organisation's */
export async function writeCare(
  organisation: string,
  id: string,
  c: CareWrite,
  transaction: Transaction,
): Promise<boolean> {
  const rows = await select<{ id: string }>(
    `INSERT INTO care_plans (id, organisation_id, unit_id, title, every_days, minutes, last_done, water, retired_at)
     SELECT $1, $2, n.id, $4, $5, $6, $7, $8, CASE WHEN $9 THEN now() END FROM units n WHERE n.id = $3 AND n.organisation_id = $2
     ON CONFLICT (id) DO UPDATE SET title = excluded.title, every_days = excluded.every_days, minutes = excluded.minutes,
       last_done = excluded.last_done, water = excluded.water, retired_at = excluded.retired_at
       WHERE care_plans.organisation_id = $2 AND care_plans.unit_id = $3
     RETURNING id`,
    [
      id,
      organisation,
      c.unit,
      c.title,
      c.everyDays,
      c.minutes,
      c.lastDone,
      c.water && JSON.stringify(c.water),
      c.retired,
    ],
    transaction,
  )
  return rows.length > 0
}

/** Notes that care was taken on a day; an earlier day changes nothing. */
export const careDone = (id: string, day: string, transaction: Transaction) =>
  select(
    'UPDATE care_plans SET last_done = GREATEST(last_done, $2::date) WHERE id = $1 RETURNING id',
    [id, day],
    transaction,
  )

export async function calendarSince(person: string): Promise<Date | undefined> {
  const [row] = await select<{ made_at: Date }>('SELECT made_at FROM calendar_secrets WHERE person_id = $1', [person])
  return row?.made_at
}
export async function writeCalendarSecret(person: string, hash: Buffer): Promise<Date> {
  const [row] = await select<{ made_at: Date }>(
    `INSERT INTO calendar_secrets (person_id, hash) VALUES ($1, $2)
     ON CONFLICT (person_id) DO UPDATE SET hash = $2, made_at = now() RETURNING made_at`,
    [person, hash],
  )
  return row!.made_at
}
export const deleteCalendarSecret = (person: string) =>
  select('DELETE FROM calendar_secrets WHERE person_id = $1 RETURNING person_id', [person])

export async function personOfCalendar(
  hash: Buffer,
): Promise<{ id: string; name: string; organisation: string } | undefined> {
  const [row] = await select<{ id: string; name: string; organisation: string }>(
    `SELECT u.id, u.name, u.organisation_id AS organisation FROM calendar_secrets k JOIN users u ON u.id = k.person_id WHERE k.hash = $1`,
    [hash],
  )
  return row
}

export async function keptOutlook(job: string, seq: number): Promise<Outlook | undefined> {
  const [row] = await select<Outlook>(
    'SELECT minutes, diagnosis, needs FROM job_outlooks WHERE job_id = $1 AND seq = $2',
    [job, seq],
  )
  return row
}
export const keepOutlook = (job: string, seq: number, { minutes, diagnosis, needs }: Outlook) =>
  select(
    `INSERT INTO job_outlooks (job_id, seq, minutes, needs, diagnosis) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (job_id) DO UPDATE SET seq = $2, minutes = $3, needs = $4, diagnosis = $5 WHERE job_outlooks.seq <= $2 RETURNING job_id`,
    [job, seq, minutes, JSON.stringify(needs), diagnosis],
  )
