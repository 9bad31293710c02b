import { QueryTypes } from 'sequelize'
import type { ReportForm, ReportReader } from '../../../core/report'
import { database } from '../../platform/database'

export interface AskedReport {
  id: string
  organisation_id: string
  job_id: string
  seq: number
  form: ReportForm
  reader: ReportReader
  state: 'waiting' | 'making' | 'made' | 'failed'
  asked_by: string
  asked_at: Date
  fault: string | null
  before: number
}

const ROW = `r.id, r.organisation_id, r.job_id, r.seq, r.form, r.reader, r.state, u.name AS asked_by, r.asked_at, r.fault,
  (SELECT count(*)::int FROM reports o WHERE o.state IN ('waiting', 'making') AND o.asked_at < r.asked_at AND r.state = 'waiting') AS before`

/**
 * Notes that a report is asked for; one that failed is asked for anew.
 *
 * @returns its id, and whether it has to be made
 */
export async function insertReport(row: {
  id: string
  organisation: string
  job: string
  seq: number
  form: ReportForm
  reader: ReportReader
  by: string
}): Promise<{ id: string; due: boolean }> {
  const [kept] = await database().query<{ id: string; due: boolean }>(
    `INSERT INTO reports (id, organisation_id, job_id, seq, form, reader, asked_by) VALUES ($1, $2, $3, $4, $5, $6, $7)
     ON CONFLICT (job_id, seq, form, reader) DO UPDATE
       SET state = CASE reports.state WHEN 'failed' THEN 'waiting' ELSE reports.state END, fault = NULL
     RETURNING id, state = 'waiting' AND bytes IS NULL AS due`,
    { bind: [row.id, row.organisation, row.job, row.seq, row.form, row.reader, row.by], type: QueryTypes.SELECT },
  )
  return kept!
}

export async function findReport(id: string): Promise<AskedReport | undefined> {
  const [row] = await database().query<AskedReport>(
    `SELECT ${ROW} FROM reports r JOIN users u ON u.id = r.asked_by WHERE r.id = $1`,
    { bind: [id], type: QueryTypes.SELECT },
  )
  return row
}

export const reportsOf = (organisation: string, job: string): Promise<AskedReport[]> =>
  database().query<AskedReport>(
    `SELECT ${ROW} FROM reports r JOIN users u ON u.id = r.asked_by
     WHERE r.organisation_id = $1 AND r.job_id = $2 ORDER BY r.asked_at DESC, r.id LIMIT 20`,
    { bind: [organisation, job], type: QueryTypes.SELECT },
  )

/** Whoever makes a report says so. @returns whether it is still to be made */
export async function beginReport(id: string): Promise<boolean> {
  const rows = await database().query<{ id: string }>(
    `UPDATE reports SET state = 'making' WHERE id = $1 AND state <> 'made' RETURNING id`,
    { bind: [id], type: QueryTypes.SELECT },
  )
  return rows.length > 0
}

/** Keeps what was made, once. */
export const keepReport = (id: string, bytes: Buffer) =>
  database().query(
    `UPDATE reports SET state = 'made', bytes = $2, made_at = now(), fault = NULL WHERE id = $1 AND state <> 'made'`,
    { bind: [id, bytes] },
  )

export const failReport = (id: string, fault: string) =>
  database().query(`UPDATE reports SET state = 'failed', fault = $2 WHERE id = $1 AND state <> 'made'`, {
    bind: [id, fault],
  })

export async function reportBytes(organisation: string, id: string): Promise<Buffer | undefined> {
  const [row] = await database().query<{ bytes: Buffer | null }>(
    `SELECT bytes FROM reports WHERE id = $1 AND organisation_id = $2`,
    { bind: [id, organisation], type: QueryTypes.SELECT },
  )
  return row?.bytes ?? undefined
}

/** What a report needs of its job beside the events. */
export async function findReportedJob(job: string): Promise<
  | {
      title: string
      customer: string
      place: string
      serial: string | null
      revision: string | null
      sheet: string
      organisation: string
      time_zone: string
    }
  | undefined
> {
  const [row] = await database().query<{
    title: string
    customer: string
    place: string
    serial: string | null
    revision: string | null
    sheet: string
    organisation: string
    time_zone: string
  }>(
    `SELECT u.title, c.name AS customer, s.name AS place, u.serial, j.revision, u.sheet, o.name AS organisation, o.time_zone
     FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id JOIN customers c ON c.id = s.customer_id
       JOIN organisations o ON o.id = j.organisation_id
     WHERE j.id = $1`,
    { bind: [job], type: QueryTypes.SELECT },
  )
  return row
}
