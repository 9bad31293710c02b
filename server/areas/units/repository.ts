import { QueryTypes, type Transaction } from 'sequelize'
import { Customer, Site, Unit } from '../../database/models'
import { database } from '../../platform/database'

export interface UnitRow {
  id: string
  title: string
  serial: string
  sheet: string
  sheet_title: string | null
  revision: string | null
  customer_id: string
  customer: string
  site_id: string
  site: string
  retired: boolean
  open_jobs: number
}

const SELECT = `
  SELECT u.id, u.title, u.serial, u.sheet, r.title AS sheet_title, r.hash AS revision,
    c.id AS customer_id, c.name AS customer, s.id AS site_id, s.name AS site, u.retired_at IS NOT NULL AS retired,
    (SELECT count(*)::int FROM jobs j WHERE j.unit_id = u.id AND j.closed_at IS NULL) AS open_jobs
  FROM units u JOIN sites s ON s.id = u.site_id JOIN customers c ON c.id = s.customer_id
    LEFT JOIN (SELECT sheet, hash, title FROM current_revisions) r ON r.sheet = u.sheet`

const likely = (word: string) => `%${word.replace(/[\\%_]/g, '\\$&')}%`

export async function listUnits(organisation: string, words: readonly string[], retired: boolean): Promise<UnitRow[]> {
  const bind: unknown[] = [organisation]
  const found = words.map(
    (word) => `concat_ws(' ', u.title, u.serial, c.name, s.name, r.title) ILIKE $${bind.push(likely(word))}`,
  )
  const where = ['u.organisation_id = $1', ...(retired ? [] : ['u.retired_at IS NULL']), ...found]
  return database().query<UnitRow>(`${SELECT} WHERE ${where.join(' AND ')} ORDER BY c.name, s.name, u.title`, {
    bind,
    type: QueryTypes.SELECT,
  })
}

export async function findUnit(
  id: string,
  organisation: string,
  transaction?: Transaction,
): Promise<UnitRow | undefined> {
  const [row] = await database().query<UnitRow>(`${SELECT} WHERE u.id = $1 AND u.organisation_id = $2`, {
    bind: [id, organisation],
    type: QueryTypes.SELECT,
    transaction,
  })
  return row
}

export const findUnitSheet = (id: string, organisation: string, transaction: Transaction): Promise<Unit | null> =>
  Unit.findOne({ where: { id, organisationId: organisation }, attributes: ['id', 'sheet'], transaction })

const idOf = async (sql: string, bind: unknown[], transaction: Transaction): Promise<string> =>
  (await database().query<{ id: string }>(sql, { bind, type: QueryTypes.SELECT, transaction }))[0]!.id

// The empty updates give the row back where it is there already.

/** A customer by its name, made where it is not there yet. */
export const ensureCustomer = (
  organisation: string,
  customer: string,
  newId: () => string,
  transaction: Transaction,
): Promise<string> =>
  idOf(
    `INSERT INTO customers (id, organisation_id, name) VALUES ($1, $2, $3)
     ON CONFLICT (organisation_id, name) DO UPDATE SET name = EXCLUDED.name RETURNING id`,
    [newId(), organisation, customer],
    transaction,
  )

/** The site of a customer by their names; either is made where it is not there yet. */
export async function ensureSite(
  organisation: string,
  customer: string,
  site: string,
  newId: () => string,
  transaction: Transaction,
): Promise<string> {
  const owner = await ensureCustomer(organisation, customer, newId, transaction)
  return idOf(
    `INSERT INTO sites (id, customer_id, name) VALUES ($1, $2, $3)
     ON CONFLICT (customer_id, name) DO UPDATE SET name = EXCLUDED.name RETURNING id`,
    [newId(), owner, site],
    transaction,
  )
}

interface UnitFields {
  siteId: string
  sheet: string
  title: string
  serial: string
}

export const insertUnits = (rows: (UnitFields & { id: string; organisationId: string })[], transaction: Transaction) =>
  Unit.bulkCreate(rows, { transaction })

export const updateUnit = async (
  id: string,
  organisation: string,
  fields: UnitFields & { retiredAt: Date | null },
  transaction: Transaction,
): Promise<boolean> => (await Unit.update(fields, { where: { id, organisationId: organisation }, transaction }))[0] > 0

/** Jobs are looked for by what their unit is called: it follows when that changes. */
export async function renameInJobs(
  where: 'unit' | 'site' | 'customer',
  id: string,
  transaction: Transaction,
): Promise<void> {
  await database().query(
    `WITH own AS (
       SELECT j.id, j.listed, j.standing, u.title, u.serial, c.name AS customer, s.name AS place
       FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id JOIN customers c ON c.id = s.customer_id
       WHERE ${{ unit: 'u.id', site: 's.id', customer: 'c.id' }[where]} = $1),
     listed AS (
       UPDATE jobs j SET listed = j.listed || jsonb_build_object('title', o.title, 'customer', o.customer, 'place', o.place)
       FROM own o WHERE j.id = o.id)
     UPDATE job_words w SET search = lower(concat_ws(' ', o.title, o.serial, o.customer, o.place,
         (SELECT string_agg(x, ' ') FROM jsonb_array_elements_text(o.listed->'complaints') x),
         o.standing->>'words', o.standing->'closed'->>'text'))
     FROM own o WHERE w.job_id = o.id`,
    { bind: [id], transaction },
  )
}

export interface VisitRow {
  id: string
  complaints: string[] | null
  closed: boolean
  repair: string | null
  created_at: Date
  by: string
}

export const visitsOf = (unit: string): Promise<VisitRow[]> =>
  database().query<VisitRow>(
    `SELECT j.id, j.listed->'complaints' AS complaints, j.closed_at IS NOT NULL AS closed, COALESCE(NULLIF(j.standing->'closed'->>'text', ''), j.standing->'closed'->>'repair') AS repair,
       j.created_at, p.name AS by
     FROM jobs j JOIN users p ON p.id = j.opened_by WHERE j.unit_id = $1 ORDER BY j.created_at DESC LIMIT 200`,
    { bind: [unit], type: QueryTypes.SELECT },
  )

export async function listCustomers(organisation: string) {
  const customers = await Customer.findAll({ where: { organisationId: organisation }, order: ['name'] })
  const sites = await Site.findAll({ where: { customerId: customers.map((c) => c.id) }, order: ['name'] })
  return customers.map(({ id, name }) => ({
    id,
    name,
    sites: sites.filter((s) => s.customerId === id).map((s) => ({ id: s.id, name: s.name })),
  }))
}

export const renameCustomer = async (
  id: string,
  organisation: string,
  name: string,
  transaction: Transaction,
): Promise<boolean> =>
  (await Customer.update({ name }, { where: { id, organisationId: organisation }, transaction }))[0] > 0

export async function renameSite(
  id: string,
  organisation: string,
  name: string,
  transaction: Transaction,
): Promise<boolean> {
  const own = await database().query<{ id: string }>(
    `UPDATE sites s SET name = $3 FROM customers c
     WHERE s.id = $1 AND c.id = s.customer_id AND c.organisation_id = $2 RETURNING s.id`,
    { bind: [id, organisation, name], type: QueryTypes.SELECT, transaction },
  )
  return own.length > 0
}
