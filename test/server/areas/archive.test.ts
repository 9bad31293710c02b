import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { QueryTypes, type Sequelize } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate'
import { describeArchiveFault } from '../../../core/words'
import { exportArchive, exportJob, importJob, takeArchive } from '../../../server/areas/archive/service'
import { eraseOldPapers } from '../../../server/areas/erasure/service'
import { writePhoto } from '../../../server/areas/photos/service'
import { findPersonById } from '../../../server/areas/session/service'
import { currentRevision, publishLibrary } from '../../../server/areas/sheets/service'
import { migrate } from '../../../server/database/migrate'
import { loadDemoWorld } from '../../../server/database/seeds/demo-world'
import compileSheet from '../../../server/engine/compile-sheet'
import type { Person } from '../../../shared/contracts/session'
import { useDatabase } from '../../../server/platform/database'
import { PICTURE } from '../../fixtures/jpeg'
import { emptyDatabase, entry, findSheet, note, open, send } from '../house'

const MARA = '01900000-0000-7000-8000-000000000011'
const EBB = '01900000-0000-7000-8000-000000000001'
const folder = mkdtempSync(join(tmpdir(), 'archive-test-'))
const library = readdirSync('library').map((f) => f.replace(/\.yaml$/, ''))

type Files = Record<string, Uint8Array>
/** Tables whose rows an organisation owns, with what tells its rows from those of others, and columns that are made anew. */
const TABLES: Record<string, string> = {
  organisations: 't.id = :o',
  customers: 't.organisation_id = :o',
  sites: 't.customer_id IN (SELECT id FROM customers WHERE organisation_id = :o)',
  units: 't.organisation_id = :o',
  parts: 't.organisation_id = :o',
  stock_levels: 't.part_id IN (SELECT id FROM parts WHERE organisation_id = :o)',
  stock_moves: 't.organisation_id = :o',
  care_plans: 't.organisation_id = :o',
  visits: 't.organisation_id = :o',
  photos: 't.organisation_id = :o',
  jobs: 't.organisation_id = :o',
  job_events: 't.job_id IN (SELECT id FROM jobs WHERE organisation_id = :o)',
  job_words: 't.job_id IN (SELECT id FROM jobs WHERE organisation_id = :o)',
  job_results: 't.organisation_id = :o',
  findable: 't.organisation_id = :o',
}
async function rowsOf(db: Sequelize): Promise<Record<string, string[]>> {
  const out: Record<string, string[]> = {}
  for (const [table, where] of Object.entries(TABLES))
    out[table] = (
      await db.query<{ line: string }>(`SELECT to_jsonb(t)::text AS line FROM ${table} t WHERE ${where}`, {
        replacements: { o: EBB },
        type: QueryTypes.SELECT,
      })
    )
      .map((r) => r.line)
      .sort()
  return out
}

let first: Sequelize
let mara: Person
let archive: Files
beforeAll(async () => {
  first = (await emptyDatabase('archive_first')).db
  await migrate(first)
  await publishLibrary(library, findSheet, compileSheet)
  await loadDemoWorld(() => Promise.resolve('hashed'), 'years')
  mara = (await findPersonById(MARA))!
  const job = await open(mara)
  const hash = createHash('sha256').update(PICTURE).digest('hex')
  await writePhoto(mara, hash, PICTURE)
  await send(mara, job, entry({ type: 'photo', photo: hash, width: 2, height: 2, about: 'found' }))
  await send(mara, job, note('seen “so” — İ\u2028 1e-7'))
  await first.query("UPDATE jobs SET touched_at = touched_at + interval '1 microsecond'")
  archive = await exported()
}, 300_000)
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  await first.close()
})

async function exported(): Promise<Files> {
  return unzipSync(new Uint8Array(await buffer((await exportArchive(mara)).stream)))
}
/** The list of contents made to agree with what stands there: who forges an archive can do that too. */
function agreed(files: Files): Files {
  const { 'contents.json': _, 'duckweed.json': title, ...rest } = files
  const list = Object.entries(rest).map(([name, bytes]) => ({
    name,
    bytes: bytes.length,
    sha256: createHash('sha256').update(bytes).digest('hex'),
  }))
  return { ...rest, 'duckweed.json': title!, 'contents.json': strToU8(JSON.stringify({ files: list })) }
}
function written(name: string, files: Files, cut = 1): string {
  const path = join(folder, name)
  const bytes = zipSync(files as Zippable, { level: 1 })
  writeFileSync(path, bytes.subarray(0, Math.round(bytes.length * cut)))
  return path
}
const lines = (files: Files, name: string) => strFromU8(files[name]!).trim().split('\n')
/** One line of a file written otherwise. */
const changed = (name: string, line: number, change: (row: Record<string, unknown>) => unknown): Files => {
  const all = lines(archive, name)
  all[line] = JSON.stringify(change(JSON.parse(all[line]!) as Record<string, unknown>))
  return agreed({ ...archive, [name]: strToU8(`${all.join('\n')}\n`) })
}

describe('an archive', () => {
  it('holds no password, session or secret', () => {
    const all = Object.values(archive)
      .map((bytes) => strFromU8(bytes, true))
      .join('\n')
    expect(all.length).toBeGreaterThan(1_000_000)
    for (const word of ['hashed', 'password', 'token', 'secret'])
      expect(all.match(new RegExp(`"[^"]*${word}[^"]*":`))).toBeNull()
  })

  it('taken into an empty installation gives the same: every row, every event, and the same archive again', async () => {
    const before = await rowsOf(first)
    expect(before.job_events!.length).toBeGreaterThan(5000)
    const second = (await emptyDatabase('archive_second')).db
    try {
      await migrate(second)
      // Other sheets are there already, one of them in a state of its own.
      await publishLibrary(['orrisk-tl40'], async (id) => `${(await findSheet(id)) ?? ''}\n# touched\n`, compileSheet)
      const taken = await takeArchive(written('whole.zip', archive), compileSheet)
      expect(taken).toMatchObject({
        photos: before.photos!.length,
        jobs: before.jobs!.length,
        events: before.job_events!.length,
      })
      const after = await rowsOf(second)
      for (const table of Object.keys(TABLES)) expect(after[table], table).toEqual(before[table])
      // What was there beyond it stays the newest.
      const [{ number }] = (await second.query(
        "SELECT number FROM sheet_revisions WHERE sheet = 'orrisk-tl40' AND hash = $1",
        { bind: [await currentRevision('orrisk-tl40')], type: QueryTypes.SELECT },
      )) as [{ number: number }]
      expect(number).toBe(2)
      const again = await exported()
      for (const name of Object.keys(archive).filter(
        (n) => n !== 'duckweed.json' && n !== 'revisions.jsonl' && n !== 'contents.json',
      ))
        expect(strFromU8(again[name]!) === strFromU8(archive[name]!), name).toBe(true)
      expect(await takeArchive(written('whole.zip', archive), compileSheet)).toEqual([{ code: 'not-empty' }])
    } finally {
      await second.close()
      useDatabase(first)
    }
  }, 300_000)

  let empty: Sequelize
  beforeAll(async () => {
    empty = (await emptyDatabase('archive_bad')).db
    await migrate(empty)
    useDatabase(first)
  })
  afterAll(() => empty.close())
  const event = (change: (row: Record<string, unknown>) => unknown) => () => changed('events.jsonl', 40, change)
  const BAD: Record<string, [() => Files | [Files, number], string]> = {
    truncated: [() => [archive, 0.7], 'ends before it is whole'],
    'of another version': [
      () => ({
        ...archive,
        'duckweed.json': strToU8(strFromU8(archive['duckweed.json']!).replace('"version":1', '"version":9')),
      }),
      'newer Duckweed',
    ],
    'a job bundle': [
      () => ({
        ...archive,
        'duckweed.json': strToU8(strFromU8(archive['duckweed.json']!).replace('duckweed-archive', 'duckweed-job')),
      }),
      'another sort',
    ],
    'of something else': [() => ({ 'notes.txt': strToU8('x') }), 'no file that Duckweed has written'],
    'changed after it was written': [
      () => ({ ...archive, 'customers.jsonl': strToU8(strFromU8(archive['customers.jsonl']!).replace('a', 'b')) }),
      'customers.jsonl: This is not what was written',
    ],
    'with a file too many': [() => ({ ...archive, 'more.jsonl': strToU8('{}') }), 'more.jsonl'],
    'without one': [
      () => Object.fromEntries(Object.entries(archive).filter(([name]) => name !== 'parts.jsonl')),
      'parts.jsonl: This stands in the list',
    ],
    'without a photo': [
      () => agreed(Object.fromEntries(Object.entries(archive).filter(([name]) => !name.startsWith('photos/')))),
      'A photo that is named is not there',
    ],
    'with an event of a stranger': [
      event((row) => ({ ...row, user_id: '01900000-0000-7000-8000-00000000abcd' })),
      'events.jsonl, line 41: This was entered by somebody who does not belong here: 01900000-0000-7000-8000-00000000abcd',
    ],
    'with a gap': [event((row) => ({ ...row, seq: Number(row.seq) + 1 })), 'not in their order'],
    'with an event of a newer program': [event((row) => ({ ...row, version: 99 })), 'version 99'],
    'with an event of no form': [event((row) => ({ ...row, payload: { type: 'wished' } })), 'events.jsonl, line 41'],
    'with an event twice': [
      () =>
        changed('events.jsonl', 41, (row) => ({
          ...row,
          id: (JSON.parse(lines(archive, 'events.jsonl')[40]!) as { id: string }).id,
        })),
      'twice',
    ],
    'with a job that ends early': [
      () => agreed({ ...archive, 'events.jsonl': strToU8(lines(archive, 'events.jsonl').slice(0, -1).join('\n')) }),
      'not all there',
    ],
    'with a machine nowhere': [
      () => changed('units.jsonl', 0, (row) => ({ ...row, site_id: EBB })),
      'units.jsonl, line 1: This names something that is not there',
    ],
    'with a sheet that is another one': [
      () =>
        changed('revisions.jsonl', 0, (row) => ({ ...row, files: [{ id: 'x', file: 'x.yaml', text: 'title: x' }] })),
      'not what it is named as',
    ],
    'with a line of no JSON': [() => agreed({ ...archive, 'sites.jsonl': strToU8('{"id":') }), 'sites.jsonl, line 1'],
  }
  it.each(Object.entries(BAD))('%s: is said, and nothing of it is in', async (name, [make, said]) => {
    useDatabase(empty)
    try {
      const made = make()
      const [files, cut] = Array.isArray(made) ? made : [made, 1]
      const faults = await takeArchive(written(`${name}.zip`, files, cut), compileSheet)
      expect(Array.isArray(faults) && faults.map((f) => describeArchiveFault(f)).join('\n')).toContain(said)
      const [{ rows }] = (await empty.query(
        'SELECT (SELECT count(*) FROM organisations) + (SELECT count(*) FROM sheet_revisions) + (SELECT count(*) FROM job_events) AS rows',
        { type: QueryTypes.SELECT },
      )) as [{ rows: string }]
      expect(Number(rows)).toBe(0)
    } finally {
      useDatabase(first)
    }
  })
})

describe('a job bundle', () => {
  const bundleOf = async (job: string) => Buffer.from(await exportJob(mara, job))
  const jobs = async () =>
    (await first.query<{ id: string }>('SELECT id FROM jobs WHERE organisation_id = $1 ORDER BY md5(id::text)', {
      bind: [EBB],
      type: QueryTypes.SELECT,
    })) as { id: string }[]
  const eventsOf = (job: string) =>
    first.query('SELECT to_jsonb(e) AS e FROM job_events e WHERE job_id = $1 ORDER BY seq', {
      bind: [job],
      type: QueryTypes.SELECT,
    })
  const standingOf = (job: string) =>
    first.query('SELECT seq, standing, bypassed, listed FROM jobs WHERE id = $1', {
      bind: [job],
      type: QueryTypes.SELECT,
    })
  /** As if a copy of before the job had been restored: nothing of it is there. */
  async function lose(job: string): Promise<void> {
    await first.query(
      `SET session_replication_role = replica; DELETE FROM job_events WHERE job_id = :job; DELETE FROM job_words WHERE job_id = :job;
       DELETE FROM job_results WHERE job_id = :job; DELETE FROM jobs WHERE id = :job; SET session_replication_role = DEFAULT`,
      { replacements: { job } },
    )
  }

  it('of a job that is there changes nothing; of one that was lost brings all of it back, once', async () => {
    const own = await open(mara)
    const [{ number }] = (await first.query<{ number: string }>(
      "SELECT number FROM parts p JOIN stock_levels l ON l.part_id = p.id WHERE l.store = 'shop' AND l.count > 0 LIMIT 1",
      { type: QueryTypes.SELECT },
    )) as [{ number: string }]
    await send(mara, own, entry({ type: 'used', title: 'Coil', number, count: 1, from: 'shop' }))
    const stock = async () => {
      const { stock_levels, stock_moves } = await rowsOf(first)
      return stock_moves!.some((m) => m.includes(own)) && stock_levels
    }
    const before = await stock()
    const bundle = await bundleOf(own)
    await lose(own)
    await importJob(mara, bundle)
    // Its part was booked out already.
    expect(await stock()).toEqual(before)
    for (const { id } of (await jobs()).slice(0, 25)) {
      const [events, standing, bundle] = [await eventsOf(id), await standingOf(id), await bundleOf(id)]
      const all = { job: id, photos: 0, problems: [] }
      expect(await importJob(mara, bundle)).toEqual({ ...all, fresh: 0, there: events.length })
      await lose(id)
      expect(await importJob(mara, bundle)).toEqual({ ...all, fresh: events.length, there: 0 })
      expect(await importJob(mara, bundle)).toEqual({ ...all, fresh: 0, there: events.length })
      expect(await eventsOf(id)).toEqual(events)
      expect(await standingOf(id)).toEqual(standing)
    }
  }, 120_000)

  it('of a job that went on in two places puts both together', async () => {
    const job = await open(mara)
    const older = await bundleOf(job)
    await send(mara, job, note('there'))
    const there = await bundleOf(job)
    await lose(job)
    expect(await importJob(mara, older)).toMatchObject({ fresh: 1 })
    await send(mara, job, note('here'))
    expect(await importJob(mara, there)).toMatchObject({ fresh: 1, there: 1 })
    const rows = (await eventsOf(job)) as { e: { seq: number; payload: { text?: string } } }[]
    expect(rows.map((r) => [r.e.seq, r.e.payload.text])).toEqual([
      [1, undefined],
      [2, 'here'],
      [3, 'there'],
    ])
  })

  it('says what is wrong with it, and nothing of it is in', async () => {
    const job = await open(mara)
    await send(mara, job, note('one'))
    const bundle = await bundleOf(job)
    const files = unzipSync(bundle)
    const ivo = (await findPersonById('01900000-0000-7000-8000-000000000021'))!
    const forged = (change: (row: Record<string, unknown>) => unknown) => {
      const [opened, second] = lines(files, 'events.jsonl')
      const text = `${opened}\n${JSON.stringify(change(JSON.parse(second!) as Record<string, unknown>))}\n`
      return Buffer.from(zipSync(agreed({ ...files, 'events.jsonl': strToU8(text) })))
    }
    const live = { type: 'action', action: { verb: 'jumper', target: 'lid' } }
    await lose(job)
    const count = async () => [(await rowsOf(first)).job_events!.length, (await rowsOf(first)).units!.length]
    const before = await count()
    const bad: [Person, Buffer, string][] = [
      [ivo, bundle, 'does not belong here: Mara E.'],
      [mara, bundle.subarray(0, 400), 'ends before it is whole'],
      [mara, Buffer.from('number,title'), 'no file that Duckweed has written'],
      [mara, forged((row) => ({ ...row, payload: live })), 'events.jsonl, line 2: This entry cannot be taken'],
      [mara, forged((row) => ({ ...row, user_id: ivo.id })), 'does not belong here'],
      [mara, Buffer.from(zipSync(archive as Zippable)), 'another sort'],
    ]
    for (const [who, file, said] of bad) {
      const answer = await importJob(who, file)
      expect(answer).toMatchObject({ job: null, fresh: 0 })
      expect(answer.problems.join()).toContain(said)
    }
    expect(await count()).toEqual(before)
    expect(await importJob(mara, bundle)).toMatchObject({ job, fresh: 2 })
    // The same entries with other words in them are not the same entries.
    expect(
      (
        await importJob(
          mara,
          forged((row) => ({ ...row, payload: { type: 'note', text: 'two' } })),
        )
      ).problems.join(),
    ).toContain('events.jsonl, line 2')
  })
})

describe('an archive of a shop that has erased papers', () => {
  it('is taken in as well, and says as little', async () => {
    await first.query('UPDATE organisations SET keep_papers_months = 1 WHERE id = $1', { bind: [EBB] })
    for (let i = 0; i < 3; i++) expect(await eraseOldPapers()).toBe(50)
    const erased = await exported()
    const before = await rowsOf(first)
    const third = (await emptyDatabase('archive_third')).db
    try {
      await migrate(third)
      expect(await takeArchive(written('erased.zip', erased), compileSheet)).toMatchObject({
        photos: before.photos!.length,
      })
      const after = await rowsOf(third)
      for (const table of ['organisations', 'jobs', 'job_events', 'job_words'])
        expect(after[table], table).toEqual(before[table])
      expect(lines(erased, 'erasures.jsonl')).toHaveLength(3)
    } finally {
      await third.close()
      useDatabase(first)
    }
  }, 300_000)
})
