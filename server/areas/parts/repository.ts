import { QueryTypes, type Transaction } from 'sequelize'
import type { PartFields } from '../../../shared/contracts/parts'
import { database } from '../../platform/database'

export interface PartRow {
  id: string
  number: string
  title: string
  kind: string
  fits: string[]
  kit: string[]
  substitutes: string[]
  volts: string
  degrees: string
  contact: string
  thread: string
  price_minor: number | null
  reorder_at: number
  retired_at: Date | null
  stock: { store: string; name: string; count: number }[]
}

/** What lies where, the shop first, then vans by the names of their people. */
const STOCK = `COALESCE((
    SELECT jsonb_agg(jsonb_build_object('store', l.store, 'name', COALESCE(u.name, 'shop'), 'count', l.count)
      ORDER BY l.store <> 'shop', u.name)
    FROM stock_levels l LEFT JOIN users u ON u.id::text = l.store
    WHERE l.part_id = p.id AND l.count <> 0), '[]'::jsonb) AS stock`

const likely = (word: string) => `%${word.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`

interface PartFilter {
  organisation: string
  words: readonly string[]
  sheet: string | undefined
  /** Only those of which too few lie in the shop. */
  low: boolean
  /** Only what comes after this one in the list. */
  after: { number: string; id: string } | undefined
  most: number
}

/** A page of parts by their numbers: one statement. */
export function listParts({ organisation, words, sheet, low, after, most }: PartFilter): Promise<PartRow[]> {
  const bind: unknown[] = [organisation, most]
  const bound = (value: unknown) => `$${bind.push(value)}`
  const where = [
    'p.organisation_id = $1',
    'p.retired_at IS NULL',
    ...words.map(
      (w) =>
        `lower(p.number || ' ' || p.title || ' ' || p.kind || ' ' || array_to_string(p.kit, ' ')) LIKE ${bound(likely(w))}`,
    ),
    ...(sheet === undefined ? [] : [`p.fits @> ARRAY[${bound(sheet)}]`]),
    ...(low
      ? [
          `p.reorder_at > 0 AND COALESCE((SELECT l.count FROM stock_levels l WHERE l.part_id = p.id AND l.store = 'shop'), 0) <= p.reorder_at`,
        ]
      : []),
    ...(after ? [`(lower(p.number), p.id) > (lower(${bound(after.number)}), ${bound(after.id)}::uuid)`] : []),
  ]
  return database().query<PartRow>(
    `SELECT p.*, ${STOCK} FROM parts p WHERE ${where.join(' AND ')} ORDER BY lower(p.number), p.id LIMIT $2`,
    { bind, type: QueryTypes.SELECT },
  )
}

export async function findPart(
  organisation: string,
  id: string,
  transaction?: Transaction,
): Promise<PartRow | undefined> {
  const [row] = await database().query<PartRow>(
    `SELECT p.*, ${STOCK} FROM parts p WHERE p.organisation_id = $1 AND p.id = $2`,
    { bind: [organisation, id], type: QueryTypes.SELECT, transaction },
  )
  return row
}

/** Parts by their numbers, whatever their letters, and those of the same sorts. */
export function partsLike(
  organisation: string,
  numbers: readonly string[],
  kinds: readonly string[],
): Promise<PartRow[]> {
  return database().query<PartRow>(
    `SELECT p.*, ${STOCK} FROM parts p
     WHERE p.organisation_id = $1 AND p.retired_at IS NULL AND (lower(p.number) = ANY($2) OR (p.kind <> '' AND lower(p.kind) = ANY($3)))
     ORDER BY lower(p.number), p.id LIMIT 500`,
    {
      bind: [organisation, numbers.map((n) => n.toLowerCase()), kinds.map((k) => k.toLowerCase())],
      type: QueryTypes.SELECT,
    },
  )
}

/** Ids of parts by their numbers, in small letters. */
export async function partsByNumber(organisation: string, transaction?: Transaction): Promise<Map<string, string>> {
  const rows = await database().query<{ id: string; number: string }>(
    'SELECT id, lower(number) AS number FROM parts WHERE organisation_id = $1',
    { bind: [organisation], type: QueryTypes.SELECT, transaction },
  )
  return new Map(rows.map((r) => [r.number, r.id]))
}

/** @returns whether it was written: not where the id is another organisation's */
export async function writePart(
  organisation: string,
  id: string,
  f: PartFields & { retired: boolean },
  transaction?: Transaction,
): Promise<boolean> {
  const rows = await database().query<{ id: string }>(
    `INSERT INTO parts (id, organisation_id, number, title, fits, kit, substitutes, volts, degrees, contact, thread,
       price_minor, reorder_at, retired_at, kind)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, CASE WHEN $14 THEN now() END, $15)
     ON CONFLICT (id) DO UPDATE SET number = $3, title = $4, fits = $5, kit = $6, substitutes = $7, volts = $8, degrees = $9,
       contact = $10, thread = $11, price_minor = $12, reorder_at = $13, retired_at = CASE WHEN $14 THEN now() END, kind = $15
       WHERE parts.organisation_id = $2
     RETURNING id`,
    {
      bind: [
        id,
        organisation,
        f.number,
        f.title,
        f.fits,
        f.kit,
        f.substitutes,
        f.volts,
        f.degrees,
        f.contact,
        f.thread,
        f.priceMinor,
        f.reorderAt,
        f.retired,
        f.kind,
      ],
      type: QueryTypes.SELECT,
      transaction,
    },
  )
  return rows.length > 0
}

export interface StockMove {
  id: string
  organisation: string
  part: string
  type: 'moved' | 'received' | 'counted' | 'used' | 'put-back'
  from: string | null
  to: string | null
  count: number
  job: string | null
  by: string
}

/** Notes a move. @returns whether it is new: sent twice it is one */
export async function insertMove(m: StockMove, transaction: Transaction): Promise<boolean> {
  const rows = await database().query<{ id: string }>(
    `INSERT INTO stock_moves (id, organisation_id, part_id, type, from_store, to_store, count, job_id, moved_by)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9) ON CONFLICT (id) DO NOTHING RETURNING id`,
    {
      bind: [m.id, m.organisation, m.part, m.type, m.from, m.to, m.count, m.job, m.by],
      type: QueryTypes.SELECT,
      transaction,
    },
  )
  return rows.length > 0
}

/** Where what an entry used was taken from. */
export async function storeOfUse(entry: string, transaction: Transaction): Promise<string | undefined> {
  const [row] = await database().query<{ from_store: string | null }>(
    `SELECT from_store FROM stock_moves WHERE id = $1 AND type = 'used'`,
    { bind: [entry], type: QueryTypes.SELECT, transaction },
  )
  return row?.from_store ?? undefined
}

/** Adds to what lies somewhere. @returns how many lie there then */
export async function addToLevel(
  part: string,
  store: string,
  delta: number,
  transaction: Transaction,
): Promise<number> {
  const [row] = await database().query<{ count: number }>(
    `INSERT INTO stock_levels (part_id, store, count) VALUES ($1, $2, $3)
     ON CONFLICT (part_id, store) DO UPDATE SET count = stock_levels.count + $3 RETURNING count`,
    { bind: [part, store, delta], type: QueryTypes.SELECT, transaction },
  )
  return row!.count
}

/** Says how many lie somewhere. */
export async function setLevel(part: string, store: string, count: number, transaction: Transaction): Promise<void> {
  await database().query(
    `INSERT INTO stock_levels (part_id, store, count) VALUES ($1, $2, $3)
     ON CONFLICT (part_id, store) DO UPDATE SET count = $3`,
    { bind: [part, store, count], transaction },
  )
}

/** Whether a person is one of an organisation: the owner of a van. */
export async function isOfOrganisation(
  organisation: string,
  person: string,
  transaction?: Transaction,
): Promise<boolean> {
  const rows = await database().query('SELECT 1 FROM users WHERE id = $1 AND organisation_id = $2', {
    bind: [person, organisation],
    type: QueryTypes.SELECT,
    transaction,
  })
  return rows.length > 0
}
