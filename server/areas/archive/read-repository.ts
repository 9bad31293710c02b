import { QueryTypes, Transaction } from 'sequelize'
import { columnsOf, type ArchiveFormat, type ArchiveTable } from '../../../core/archive'
import { database } from '../../platform/database'

/** Rows that are fetched at a time. */
const AT_A_TIME = 500

/** What an archive is of: an organisation, or one of its jobs. */
export interface ArchiveOf {
  format: ArchiveFormat
  organisation: string
  /** For a job bundle. */
  job?: string
}

interface Source {
  /** Where the rows stand, as `t`. */
  from: string
  /** Those of an organisation. */
  where: string
  /** Those of one job of it; where an archive alone has the table, absent. */
  ofJob?: string
  order: string
  /** Columns that are not of `t`. */
  columns?: Record<string, string>
}

const OWN = 't.organisation_id = :organisation'
/** Revisions that jobs were begun with, and those on which the machines are now. */
const REVISIONS = `t.hash IN (SELECT revision FROM jobs WHERE organisation_id = :organisation)
  OR t.hash IN (SELECT c.hash FROM current_revisions c JOIN units u ON u.sheet = c.sheet WHERE u.organisation_id = :organisation)`
const PHOTOS_OF_JOB = `${OWN} AND t.hash IN (SELECT payload->>'photo' FROM job_events WHERE job_id = :job)`

const SOURCES: Record<ArchiveTable, Source> = {
  organisation: { from: 'organisations t', where: 't.id = :organisation', order: 't.id' },
  people: {
    from: 'users t',
    where: OWN,
    ofJob: `t.id IN (SELECT user_id FROM job_events WHERE job_id = :job UNION SELECT opened_by FROM jobs WHERE id = :job
      UNION SELECT touched_by FROM jobs WHERE id = :job UNION SELECT p.created_by FROM photos p WHERE p.organisation_id = :organisation
        AND p.hash IN (SELECT payload->>'photo' FROM job_events WHERE job_id = :job))`,
    order: 't.id',
  },
  revisions: {
    from: 'sheet_revisions t',
    where: REVISIONS,
    ofJob: 't.hash = (SELECT revision FROM jobs WHERE id = :job)',
    order: 't.sheet, t.number',
  },
  customers: {
    from: 'customers t',
    where: OWN,
    ofJob: `t.id = (SELECT s.customer_id FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id WHERE j.id = :job)`,
    order: 't.id',
  },
  sites: {
    from: 'sites t JOIN customers c ON c.id = t.customer_id',
    where: 'c.organisation_id = :organisation',
    ofJob: 't.id = (SELECT u.site_id FROM jobs j JOIN units u ON u.id = j.unit_id WHERE j.id = :job)',
    order: 't.id',
  },
  units: { from: 'units t', where: OWN, ofJob: 't.id = (SELECT unit_id FROM jobs WHERE id = :job)', order: 't.id' },
  meters: { from: 'meters t', where: OWN, order: 't.id' },
  parts: { from: 'parts t', where: OWN, order: 't.id' },
  stock_levels: {
    from: 'stock_levels t JOIN parts p ON p.id = t.part_id',
    where: 'p.organisation_id = :organisation',
    order: 't.part_id, t.store',
  },
  care_plans: { from: 'care_plans t', where: OWN, order: 't.id' },
  photos: { from: 'photos t', where: OWN, ofJob: PHOTOS_OF_JOB, order: 't.created_at, t.hash' },
  jobs: {
    from: 'jobs t LEFT JOIN job_results r ON r.job_id = t.id',
    where: OWN,
    ofJob: `${OWN} AND t.id = :job`,
    order: 't.id',
    columns: { expected: 'r.expected' },
  },
  events: {
    from: 'job_events t JOIN jobs j ON j.id = t.job_id',
    where: 'j.organisation_id = :organisation',
    ofJob: 'j.organisation_id = :organisation AND t.job_id = :job',
    order: 't.job_id, t.seq',
  },
  stock_moves: { from: 'stock_moves t', where: OWN, order: 't.moved_at, t.id' },
  visits: { from: 'visits t', where: OWN, order: 't.id' },
  erasures: { from: 'erasures t', where: OWN, order: 't.id' },
  job_imports: { from: 'job_imports t', where: OWN, order: 't.id' },
}

/** Everything is read as it stood at one moment, whatever is entered meanwhile. */
export const asOfOneMoment = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> =>
  database().transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ, readOnly: true }, (t) =>
    database()
      .query("SET LOCAL TIME ZONE 'UTC'", { transaction: t })
      .then(() => work(t)),
  )

/** The rows of a table as lines of JSON, some at a time. */
export async function* linesOf(of: ArchiveOf, table: ArchiveTable, transaction: Transaction): AsyncGenerator<string> {
  const { from, where, ofJob, order, columns } = SOURCES[table]
  const written = columnsOf(of.format, table).map((c) => `${columns?.[c] ?? `t.${c}`} AS ${c}`)
  const cursor = `archived_${table}`
  await database().query(
    `DECLARE ${cursor} NO SCROLL CURSOR FOR SELECT row_to_json(x)::text AS line
     FROM (SELECT ${written.join(', ')} FROM ${from} WHERE ${of.job === undefined ? where : ofJob} ORDER BY ${order}) x`,
    { replacements: { organisation: of.organisation, job: of.job ?? null }, transaction },
  )
  for (;;) {
    const rows = await database().query<{ line: string }>(`FETCH ${AT_A_TIME} FROM ${cursor}`, {
      type: QueryTypes.SELECT,
      transaction,
    })
    if (rows.length) yield `${rows.map((r) => r.line).join('\n')}\n`
    if (rows.length < AT_A_TIME) break
  }
  await database().query(`CLOSE ${cursor}`, { transaction })
}

/** The photos that an archive holds, by hash. */
export async function photosIn(of: ArchiveOf, transaction: Transaction): Promise<string[]> {
  const where = of.job === undefined ? OWN : PHOTOS_OF_JOB
  const rows = await database().query<{ hash: string }>(`SELECT t.hash FROM photos t WHERE ${where} ORDER BY t.hash`, {
    replacements: { organisation: of.organisation, job: of.job ?? null },
    type: QueryTypes.SELECT,
    transaction,
  })
  return rows.map((r) => r.hash)
}
