import { QueryTypes, type Sequelize } from 'sequelize'
import { expect, it } from 'vitest'
import { migrate, migrateBack } from '../../../server/database/migrate'
import { MIGRATIONS } from '../../../server/database/migrations'
import { emptyDatabase } from '../house'

/** Everything that stands in the schemas of the application, as the database itself writes it down; extensions are the database's. */
async function standing(db: Sequelize): Promise<string[]> {
  const rows = await db.query<{ line: string }>(
    `WITH own AS (SELECT oid, nspname FROM pg_namespace WHERE nspname IN ('public', 'queue'))
     SELECT c.relkind::text || ' ' || nspname || '.' || relname || ' ' || coalesce(attname || ' ' || format_type(atttypid, atttypmod)
       || CASE WHEN attnotnull THEN ' not null' ELSE '' END || ' ' || coalesce(pg_get_expr(adbin, adrelid), ''), '') AS line
       FROM pg_class c JOIN own ON own.oid = c.relnamespace
       LEFT JOIN pg_attribute a ON a.attrelid = c.oid AND attnum > 0 AND NOT attisdropped
       LEFT JOIN pg_attrdef d ON d.adrelid = c.oid AND d.adnum = a.attnum WHERE c.relkind IN ('r', 'p', 'v', 'm', 'S')
     UNION ALL SELECT pg_get_indexdef(indexrelid) FROM pg_index JOIN pg_class c ON c.oid = indrelid JOIN own ON own.oid = relnamespace
     UNION ALL SELECT conrelid::regclass || ' ' || conname || ' ' || pg_get_constraintdef(k.oid) FROM pg_constraint k
       JOIN own ON own.oid = connamespace
     UNION ALL SELECT pg_get_functiondef(p.oid) FROM pg_proc p JOIN own ON own.oid = pronamespace
       WHERE prokind = 'f' AND NOT EXISTS (SELECT FROM pg_depend WHERE objid = p.oid AND deptype = 'e')
     UNION ALL SELECT pg_get_triggerdef(t.oid) FROM pg_trigger t WHERE NOT tgisinternal`,
    { type: QueryTypes.SELECT },
  )
  return rows.map((r) => r.line).sort()
}

it('every step of the tables can be taken back: they are then as they were before it', async () => {
  const { db } = await emptyDatabase('steps')
  const before: string[][] = []
  for (let i = 0; i < MIGRATIONS.length; i++) {
    before.push(await standing(db))
    await migrate(db, 1)
  }
  const newest = await standing(db)
  expect(newest.length).toBeGreaterThan(300)
  // The second step made the house out of what was before: that way back is the copy of before.
  for (const { name } of MIGRATIONS.slice(2).toReversed()) {
    await migrateBack(db, 1)
    expect(await standing(db), name).toEqual(before.pop())
  }
  const oldest = await standing(db)
  await expect(migrateBack(db, 1)).rejects.toThrow('restore the copy')
  expect(await standing(db)).toEqual(oldest)
  await migrate(db)
  expect(await standing(db)).toEqual(newest)
  await db.close()
}, 120_000)
