import { QueryTypes, type Transaction } from 'sequelize'
import { columnsOf, type ArchiveRow, type ArchiveTable } from '../../../core/archive'
import type { JobStanding, SheetFacts } from '../../../core/job'
import { database } from '../../platform/database'

/** What is written as it stands in the file; the rest needs a word more. */
type PlainTable = Exclude<ArchiveTable, 'organisation' | 'people' | 'revisions' | 'jobs' | 'photos'>

const TABLES: Record<PlainTable, { table: string; ofOrganisation: boolean }> = {
  customers: { table: 'customers', ofOrganisation: true },
  sites: { table: 'sites', ofOrganisation: false },
  units: { table: 'units', ofOrganisation: true },
  meters: { table: 'meters', ofOrganisation: true },
  parts: { table: 'parts', ofOrganisation: true },
  stock_levels: { table: 'stock_levels', ofOrganisation: false },
  care_plans: { table: 'care_plans', ofOrganisation: true },
  events: { table: 'job_events', ofOrganisation: false },
  stock_moves: { table: 'stock_moves', ofOrganisation: true },
  visits: { table: 'visits', ofOrganisation: true },
  erasures: { table: 'erasures', ofOrganisation: true },
  job_imports: { table: 'job_imports', ofOrganisation: true },
}

export const isPlain = (table: ArchiveTable): table is PlainTable => Object.hasOwn(TABLES, table)

/** Whether nobody works here yet; until the transaction ends, where there is one, nobody can begin to. */
export async function isEmpty(transaction?: Transaction): Promise<boolean> {
  if (transaction) await database().query('LOCK TABLE organisations IN EXCLUSIVE MODE', { transaction })
  const rows = await database().query('SELECT 1 FROM organisations LIMIT 1', { type: QueryTypes.SELECT, transaction })
  return rows.length === 0
}

/** @param lines rows as JSON, as they stand in the file: no number is read and written anew */
export async function insertLines(
  table: PlainTable,
  organisation: string,
  lines: readonly string[],
  transaction: Transaction,
): Promise<void> {
  const { table: own, ofOrganisation } = TABLES[table]
  const columns = columnsOf('duckweed-archive', table)
  const [more, value] = ofOrganisation ? [', organisation_id', ', $2::uuid'] : ['', '']
  await database().query(
    `INSERT INTO ${own} (${columns.join(', ')}${more}) SELECT ${columns.map((c) => `r.${c}`).join(', ')}${value}
     FROM jsonb_populate_recordset(NULL::${own}, $1::jsonb) r`,
    { bind: [`[${lines.join(',')}]`, ...(ofOrganisation ? [organisation] : [])], transaction },
  )
}

export async function insertOrganisation(row: ArchiveRow<'organisation'>, transaction: Transaction): Promise<void> {
  const columns = columnsOf('duckweed-archive', 'organisation')
  await database().query(
    `INSERT INTO organisations (${columns.join(', ')}) SELECT ${columns.map((c) => `r.${c}`).join(', ')}
     FROM jsonb_populate_record(NULL::organisations, $1::jsonb) r`,
    { bind: [JSON.stringify(row)], transaction },
  )
}

export async function insertPerson(
  organisation: string,
  { id, email, name, role, kit, left_at }: ArchiveRow<'people'>,
  passwordHash: string,
  transaction: Transaction,
): Promise<void> {
  await database().query(
    `INSERT INTO users (id, organisation_id, email, name, role, kit, password_hash, left_at) VALUES ($1, $2, $3, $4, $5, $6::jsonb, $7, $8)`,
    {
      bind: [id, organisation, email, name, role, kit === null ? null : JSON.stringify(kit), passwordHash, left_at],
      transaction,
    },
  )
}

/**
 * Keeps revisions with the numbers that they had: those that are here already under other numbers get theirs, and what is here beyond them
 * follows as newer.
 */
export async function insertRevisions(
  rows: readonly { row: ArchiveRow<'revisions'>; facts: SheetFacts }[],
  transaction: Transaction,
): Promise<void> {
  const sheets = [...new Set(rows.map(({ row }) => row.sheet))]
  const one = (sql: string, bind: unknown[]) => database().query(sql, { bind, transaction })
  await one('UPDATE sheet_revisions SET number = -number WHERE sheet = ANY($1)', [sheets])
  for (const { row, facts } of rows)
    await one(
      `INSERT INTO sheet_revisions (hash, sheet, number, language, title, files, facts, published_at)
       VALUES ($1, $2, $3, $4, $5, $6::jsonb, $7::jsonb, $8) ON CONFLICT (hash) DO UPDATE SET number = excluded.number`,
      [
        row.hash,
        row.sheet,
        row.number,
        row.language,
        row.title,
        JSON.stringify(row.files),
        JSON.stringify(facts),
        row.published_at,
      ],
    )
  await one(
    `UPDATE sheet_revisions r SET number = o.number FROM (
       SELECT hash, (SELECT max(number) FROM sheet_revisions m WHERE m.sheet = s.sheet)
         + row_number() OVER (PARTITION BY sheet ORDER BY -number) AS number
       FROM sheet_revisions s WHERE s.number < 0 AND s.sheet = ANY($1)) o WHERE o.hash = r.hash`,
    [sheets],
  )
}

/** The row of a job; what it has come to follows once its events are there. */
export async function insertJobRow(
  organisation: string,
  { id, unit_id, revision, opened_by, created_at, touched_at, touched_by, seq, papers_erased_at }: ArchiveRow<'jobs'>,
  transaction: Transaction,
): Promise<void> {
  await database().query(
    `INSERT INTO jobs (id, organisation_id, unit_id, revision, opened_by, created_at, touched_at, touched_by, seq, papers_erased_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    {
      bind: [id, organisation, unit_id, revision, opened_by, created_at, touched_at, touched_by, seq, papers_erased_at],
      transaction,
    },
  )
}

/** What a job has come to. */
export async function finishJob(
  { id, closed_at, expected }: ArchiveRow<'jobs'>,
  standing: JobStanding,
  transaction: Transaction,
): Promise<void> {
  const { closed } = standing
  await database().query('UPDATE jobs SET standing = $2::jsonb, bypassed = $3, closed_at = $4 WHERE id = $1', {
    bind: [
      id,
      JSON.stringify(standing),
      standing.bypasses.length > 0,
      closed === undefined ? null : (closed_at ?? closed.at),
    ],
    transaction,
  })
  if (expected !== null)
    await database().query('UPDATE job_results SET expected = $2 WHERE job_id = $1', {
      bind: [id, expected],
      transaction,
    })
}

export async function insertPhotoRow(
  organisation: string,
  { hash, created_by, created_at }: ArchiveRow<'photos'>,
  bytes: Buffer,
  transaction: Transaction,
): Promise<void> {
  await database().query(
    'INSERT INTO photos (organisation_id, hash, bytes, created_by, created_at) VALUES ($1, $2, $3, $4, $5) ON CONFLICT DO NOTHING',
    { bind: [organisation, hash, bytes, created_by, created_at], transaction },
  )
}

/** Keeps which entries came in a file, and who brought it. */
export async function insertImport(
  row: { id: string; organisation: string; job: string; events: readonly string[]; by: string },
  transaction: Transaction,
): Promise<void> {
  await database().query(
    'INSERT INTO job_imports (id, organisation_id, job_id, events, brought_by) VALUES ($1, $2, $3, $4::uuid[], $5)',
    { bind: [row.id, row.organisation, row.job, row.events, row.by], transaction },
  )
}

/** Whose a unit is, where there is one of this id. */
export async function ownerOfUnit(unit: string, transaction: Transaction): Promise<string | undefined> {
  const [row] = await database().query<{ owner: string }>('SELECT organisation_id AS owner FROM units WHERE id = $1', {
    bind: [unit],
    type: QueryTypes.SELECT,
    transaction,
  })
  return row?.owner
}
