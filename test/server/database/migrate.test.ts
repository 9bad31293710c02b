import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Sequelize } from 'sequelize'
import { foldJob, type SheetFacts } from '../../../core/job'
import { refoldJobs } from '../../../server/areas/jobs/refold'
import { pageOfJobs, readJob } from '../../../server/areas/jobs/service'
import { findPersonById } from '../../../server/areas/session/service'
import { publishLibrary } from '../../../server/areas/sheets/service'
import { listUnits } from '../../../server/areas/units/service'
import { grantToApp, APP_ROLE } from '../../../server/database/app-role'
import { migrate } from '../../../server/database/migrate'
import compileSheet from '../../../server/engine/compile-sheet'
import { connect } from '../../../server/platform/database'
import { emptyDatabase, findSheet, SHEET } from '../house'

const fixture = (name: string) => readFileSync(join(import.meta.dirname, '../../fixtures', name), 'utf8')
/** What the program of before made of the same events, written by it. */
const BEFORE = JSON.parse(fixture('before-units.folds.json')) as Record<
  string,
  {
    order: string[]
    fold: {
      words: string
      complaints: string[]
      safety: string[]
      log: { event: string; is: string; test?: string; text?: string; action?: object }[]
      notes: { event: string }[]
      order: string
      bands: string
      closed?: { repair: string; text: string; at: string }
      jumpers: string[]
    }
  }
>

let db: Sequelize
let url: string
let rows: Record<string, unknown>[]
const eventRows = (payload: string) =>
  db.query<Record<string, unknown>>(
    `SELECT id, job_id, user_id, version, at, device, ${payload} AS body, received_at FROM job_events ORDER BY id`,
    { type: QueryTypes.SELECT },
  )

describe('a database of before', () => {
  beforeAll(async () => {
    ;({ db, url } = await emptyDatabase('before'))
    await db.query(fixture('before-units.sql').replaceAll('public.', ''))
    rows = await eventRows('what')
    await migrate(db)
    await migrate(db)
    await publishLibrary([SHEET], findSheet, compileSheet)
    expect(await refoldJobs()).toBe(Object.keys(BEFORE).length)
  })
  afterAll(() => db?.close())

  it('every event row is as it was written', async () => {
    expect(rows.length).toBeGreaterThan(80)
    expect(await eventRows('payload')).toEqual(rows)
  })
  it('every job comes to what it came to before, in the order it had', async () => {
    const mara = (await findPersonById('01900000-0000-7000-8000-000000000011'))!
    const ivo = (await findPersonById('01900000-0000-7000-8000-000000000021'))!
    for (const [id, { order, fold }] of Object.entries(BEFORE)) {
      const who = (await readJob(mara, id).catch(() => undefined)) ? mara : ivo
      const { events } = await readJob(who, id)
      expect(events.map((e) => e.id)).toEqual(order)
      expect(events.map((e) => e.seq)).toEqual(order.map((_, i) => i + 1))
      const job = foldJob(events)
      // A reopening takes back what was made safe before it, which it did not then.
      const reopened = events.findLastIndex((e) => e.payload.type === 'reopened')
      const since = new Set(events.slice(reopened + 1).map((e) => (e.payload.type === 'safety' ? e.payload.step : '')))
      expect(job.log.map((l) => l.event)).toEqual(fold.log.map((l) => l.event))
      expect(job.remarks.map((r) => r.event)).toEqual(fold.notes.map((n) => n.event))
      expect(
        Object.entries(job.safety)
          .filter(([, ids]) => ids.length)
          .map(([s]) => s)
          .sort(),
      ).toEqual(fold.safety.filter((step) => since.has(step)).sort())
      expect(job.closed && { repair: job.closed.repair, text: job.closed.text, at: job.closed.at }).toEqual(fold.closed)
      expect([job.words, job.complaints, job.strategy, job.acceptance, job.bypasses]).toEqual([
        fold.words,
        fold.complaints,
        fold.order,
        fold.bands,
        fold.jumpers,
      ])
      expect((await pageOfJobs(who, {})).jobs.find((j) => j.id === id)).toMatchObject({
        readings: fold.log.filter((l) => l.is === 'reading').length,
        bypasses: fold.jumpers.map((part) => `jumper across the ${part}`),
      })
    }
  })
  it('jobs folded by a program of before are folded anew where they were reopened', async () => {
    const reopened = Object.keys(BEFORE).length
    await db.query(`UPDATE jobs SET standing = jsonb_set(standing, '{safety}', '{"isolate": ["x"]}')`)
    await db.query("DELETE FROM migrations WHERE name = '0004-reopened-unsafe'")
    await migrate(db)
    const folded = await refoldJobs()
    expect(folded).toBeGreaterThan(0)
    expect(folded).toBeLessThan(reopened)
    const [{ unsafe }] = (await db.query<{ unsafe: string }>(
      `SELECT count(*) AS unsafe FROM jobs WHERE standing->'safety' ? 'isolate' AND standing->'safety'->'isolate' = '["x"]'`,
      { type: QueryTypes.SELECT },
    )) as [{ unsafe: string }]
    expect(Number(unsafe)).toBe(reopened - folded)
  })
  it('machines are units of sites of customers, with the same ids', async () => {
    const mara = (await findPersonById('01900000-0000-7000-8000-000000000011'))!
    const { units } = await listUnits(mara)
    expect(units.length).toBeGreaterThan(14)
    expect(units.find((u) => u.id.endsWith('101'))).toMatchObject({
      title: 'Orrisk TL-40, laundry left',
      customer: { name: 'Harbour Lights Hostel' },
      site: { name: 'Laundry, basement' },
    })
    expect(
      new Set(units.filter((u) => u.customer.name === 'Harbour Lights Hostel').map((u) => u.customer.id)).size,
    ).toBe(1)
  })
  it('the application’s role reads and adds, and changes no table and no event', async () => {
    await grantToApp(db, 'a-password-of-the-tests')
    const own = new URL(url)
    own.username = APP_ROLE
    own.password = 'a-password-of-the-tests'
    const app = connect(own.href)
    expect(await app.query('SELECT count(*)::int AS n FROM job_events', { type: QueryTypes.SELECT })).toEqual([
      { n: rows.length },
    ])
    for (const sql of [
      'CREATE TABLE mine (id int)',
      'ALTER TABLE jobs ADD COLUMN mine int',
      'DROP TABLE sessions',
      "UPDATE job_events SET device = 'x'",
      'DELETE FROM job_events',
      "UPDATE sheet_revisions SET title = 'x'",
      "INSERT INTO migrations (name) VALUES ('x')",
      'DELETE FROM migrations',
      'CREATE EXTENSION hstore',
    ])
      await expect(app.query(sql), sql).rejects.toThrow(/permission denied|must be owner/)
    await app.close()
  })
})

describe('facts of revisions from before the work modes had their names', () => {
  const BACK: Record<string, string> = { energised: 'live', isolated: 'dead', water: 'water', observe: 'look' }
  /** Facts as the program of before wrote them. */
  const asBefore = (facts: SheetFacts) => {
    const test = ({ workMode, shape: { type, ...shape }, ...rest }: SheetFacts['tests'][string]) => ({
      school: BACK[workMode],
      shape: { takes: type, ...shape },
      ...rest,
    })
    const entries = <T, U>(record: Readonly<Record<string, T>>, change: (value: T) => U) =>
      Object.fromEntries(Object.entries(record).map(([key, value]) => [key, change(value)]))
    return {
      ...facts,
      tests: entries(facts.tests, test),
      meters: entries(facts.meters, ({ yesNo, ...rest }) => ({ says: yesNo, ...rest })),
      complaints: facts.complaints.map(({ words, ...rest }) => ({ says: words, ...rest })),
      needs: facts.needs.map(({ before, ...rest }) => ({ before: BACK[before] ?? before, ...rest })),
    }
  }
  it('read as if they had been compiled today', async () => {
    const { db: own } = await emptyDatabase('work_modes')
    await migrate(own)
    await publishLibrary([SHEET], findSheet, compileSheet)
    const read = async () => {
      const [row] = await own.query<{ facts: SheetFacts }>('SELECT facts FROM sheet_revisions', {
        type: QueryTypes.SELECT,
      })
      return row!.facts
    }
    const today = await read()
    expect(new Set(Object.values(today.tests).map((t) => t.workMode)).size).toBe(4)
    await own.query('UPDATE sheet_revisions SET facts = $1', { bind: [JSON.stringify(asBefore(today))] })
    expect(await read()).not.toEqual(today)
    await own.query("DELETE FROM migrations WHERE name = '0003-work-modes'")
    await migrate(own)
    expect(await read()).toEqual(today)
    await own.close()
  })
})
