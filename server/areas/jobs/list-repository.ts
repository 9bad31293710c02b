import { QueryTypes } from 'sequelize'
import type { JobStanding } from '../../../core/job'
import type { JOB_STATES } from '../../../shared/contracts/jobs'
import type { ListedWords } from '../../database/models'
import { database } from '../../platform/database'

export interface ListedJob {
  id: string
  unit: string
  listed: ListedWords
  standing: JobStanding
  created_at: Date
  touched_at: Date
}

export interface JobFilter {
  organisation: string
  words: readonly string[]
  state: (typeof JOB_STATES)[number] | undefined
  /** Only jobs that this person opened or touched last. */
  person: string | undefined
  unit: string | undefined
  /** Only what comes after this row in the list. */
  after: { touchedAt: string; id: string } | undefined
  most: number
}

const likely = (word: string) => `%${word.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`

/** A page of jobs, last touched first: one statement. */
export async function listJobs(f: JobFilter): Promise<ListedJob[]> {
  const bind: unknown[] = [f.organisation]
  const put = (value: unknown) => `$${bind.push(value)}`
  const where = [
    'j.organisation_id = $1',
    'j.standing IS NOT NULL',
    ...(f.words.length
      ? [
          `j.id IN (SELECT w.job_id FROM job_words w WHERE ${f.words.map((word) => `w.search LIKE ${put(likely(word))}`).join(' AND ')})`,
        ]
      : []),
    ...(f.state === 'open' ? ['j.closed_at IS NULL'] : []),
    ...(f.state === 'waiting' ? [`j.closed_at IS NULL AND j.standing ? 'awaits'`] : []),
    ...(f.state === 'closed' ? ['j.closed_at IS NOT NULL'] : []),
    ...(f.state === 'bypass' ? ['j.bypassed'] : []),
    ...(f.unit === undefined ? [] : [`j.unit_id = ${put(f.unit)}`]),
  ]
  if (f.person !== undefined) {
    const person = put(f.person)
    where.push(`(j.opened_by = ${person} OR j.touched_by = ${person})`)
  }
  if (f.after) where.push(`(j.touched_at, j.id) < (${put(f.after.touchedAt)}::timestamptz, ${put(f.after.id)}::uuid)`)
  // One table: a page costs what it shows, however many jobs, machines and customers there are.
  return database().query<ListedJob>(
    `SELECT j.id, j.unit_id AS unit, j.listed, j.standing, j.created_at, j.touched_at FROM jobs j
     WHERE ${where.join(' AND ')} ORDER BY j.touched_at DESC, j.id DESC LIMIT ${put(f.most)}`,
    { bind, type: QueryTypes.SELECT },
  )
}

export interface FoundJob {
  id: string
  revision: string | null
  sheet: string
  created_at: Date
  seq: number
  unit: string
  title: string
  customer: string
  place: string
}

export async function findJob(id: string, organisation: string): Promise<FoundJob | undefined> {
  const [row] = await database().query<FoundJob>(
    `SELECT j.id, j.revision, u.sheet, j.created_at, j.seq, u.id AS unit, u.title, c.name AS customer, s.name AS place
     FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id JOIN customers c ON c.id = s.customer_id
     WHERE j.id = $1 AND j.organisation_id = $2`,
    { bind: [id, organisation], type: QueryTypes.SELECT },
  )
  return row
}

export async function standingOf(id: string, organisation: string): Promise<JobStanding | undefined> {
  const [row] = await database().query<{ standing: JobStanding }>(
    'SELECT standing FROM jobs WHERE id = $1 AND organisation_id = $2 AND standing IS NOT NULL',
    { bind: [id, organisation], type: QueryTypes.SELECT },
  )
  return row?.standing
}
