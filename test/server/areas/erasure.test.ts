import { createHash } from 'node:crypto'
import { QueryTypes } from 'sequelize'
import { describe, expect, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { payloadSchema } from '../../../core/job/event-schema'
import type { Payload } from '../../../core/job'
import { findAnything } from '../../../server/areas/find/service'
import {
  eraseCustomer,
  erasedSince,
  eraseOldPapers,
  erasePerson,
  heldOfCustomer,
  listErasures,
} from '../../../server/areas/erasure/service'
import { readJob, refoldJob } from '../../../server/areas/jobs/service'
import { readPhoto, writePhoto } from '../../../server/areas/photos/service'
import { putVisit } from '../../../server/areas/schedule/service'
import { listPeople } from '../../../server/areas/session/service'
import { createUnit, listCustomers } from '../../../server/areas/units/service'
import type { Person } from '../../../shared/contracts/session'
import { PICTURE } from '../../fixtures/jpeg'
import { codes, LEFT, note, open, send, SHEET, withHouse } from '../house'

const house = withHouse('erasure')
/** Stands in everything that a person said, so that it is seen wherever it is left. */
const MARK = 'quillfeather'
const OWN = 'tidewrack'
/** A signature as the table has it. */
const STROKE = '[7, 77, 777, 77]'
const HASH = createHash('sha256').update(PICTURE).digest('hex')
const OTHER = 'f'.repeat(64)

/** An entry of every type, with the mark wherever somebody may write, sign or show what they like. */
const ENTRIES = (unit: string, label: string): Payload[] => [
  { type: 'opened', unit, complaints: ['no-fill'], words: MARK },
  { type: 'said', complaints: ['no-fill'], words: MARK },
  { type: 'safety', step: 'unplug' },
  { type: 'reading', test: 'cold-valve.ohms', text: '905', value: { type: 'value', si: 905 } },
  { type: 'action', action: { verb: 'open', target: 'lid' } },
  { type: 'retracted', event: label },
  { type: 'test-strategy', strategy: 'best' },
  { type: 'acceptance', acceptance: 'published' },
  { type: 'note', text: MARK, to: 'customer' },
  { type: 'photo', photo: HASH, width: 2, height: 2, about: 'found' },
  { type: 'label', name: 'blue', shown: { photo: HASH, x: 0.5, y: 0.5 } },
  { type: 'disconnected', label, name: 'blue' },
  { type: 'reconnected', label },
  { type: 'closed', repair: '', text: MARK, as: 'cancelled' },
  { type: 'awaits', what: 'person', text: MARK },
  { type: 'reopened' },
  { type: 'run', program: 'normal', began: '2026-11-01T10:00:00.000Z' },
  { type: 'marked', run: label, lane: 'a', turn: 'on', nth: 0, seconds: 1, noticed: 'hand' },
  { type: 'run-over', run: label, seconds: 9 },
  { type: 'clipped', test: 'cold-valve.volts' },
  { type: 'unclipped', test: 'cold-valve.volts' },
  { type: 'decided', repair: 'new-cold-valve', as: 'for-good' },
  { type: 'quoted', currency: 'EUR', lines: [{ text: 'Valve', minor: 900 }], text: MARK },
  { type: 'answered', quote: label, yes: true, who: MARK },
  { type: 'ticked', repair: 'new-cold-valve', list: 'steps', item: 'screen', found: MARK },
  { type: 'new-part', repair: 'new-cold-valve', check: 'ohms', text: '905', good: true },
  { type: 'used', title: 'Valve', count: 1, from: 'van' },
  { type: 'condemned', title: 'Valve', how: 'cut' },
  { type: 'proven', item: 'cycle', as: 'passed', text: MARK },
  { type: 'left-unsafe', warning: MARK, photo: OTHER },
  { type: 'signed', for: 'work', name: MARK, strokes: [[7, 77, 777, 77]] },
  { type: 'not-signed', for: 'warning', name: MARK, text: MARK },
  { type: 'setting', setting: 'hardness', as: 'left', text: '4' },
  { type: 'follow-up', on: '2026-12-01', why: MARK },
]

/** Writes entries as they are, past the guard: a job may be of any age. */
async function written(who: Person, unit: string, payloads: readonly Payload[], closed = true): Promise<string> {
  const job = uuidv7()
  const insert = (sql: string, bind: unknown[]) => house.db.query(sql, { bind })
  await insert(
    `INSERT INTO jobs (id, organisation_id, unit_id, revision, opened_by, seq, touched_at, touched_by, closed_at)
     VALUES ($1, $2, $3, $4, $5, $6, now(), $5, CASE WHEN $7 THEN now() - interval '40 days' END)`,
    [job, who.organisation, unit, house.revision, who.id, payloads.length, closed],
  )
  for (const [i, payload] of payloads.entries())
    await insert(
      `INSERT INTO job_events (id, job_id, user_id, version, at, device, ordinal, base_seq, payload, seq)
       VALUES ($1, $2, $3, 3, now(), 'test', $4, $4, $5::jsonb, $6)`,
      [uuidv7(), job, who.id, i, JSON.stringify(payload), i + 1],
    )
  await refoldJob({ id: job, sheet: SHEET, revision: house.revision })
  if (closed)
    await insert(
      `UPDATE jobs SET closed_at = now() - interval '40 days', touched_at = now() - interval '40 days' WHERE id = $1`,
      [job],
    )
  return job
}
/** Tables in which a word stands anywhere, in any column. */
async function whereIs(word: string): Promise<string[]> {
  const tables = await house.db.query<{ name: string }>(
    `SELECT format('%I.%I', schemaname, tablename) AS name FROM pg_tables WHERE schemaname IN ('public', 'queue')`,
    { type: QueryTypes.SELECT },
  )
  const out: string[] = []
  for (const { name } of tables) {
    const [row] = await house.db.query<{ n: string }>(
      `SELECT count(*) AS n FROM ${name} t WHERE lower(t::text) LIKE $1`,
      {
        bind: [`%${word}%`],
        type: QueryTypes.SELECT,
      },
    )
    if (Number(row!.n)) out.push(name)
  }
  return out
}
const payloadsOf = async (who: Person, job: string) => (await readJob(who, job)).events.map((e) => e.payload)
const newUnit = async (who: Person) => {
  const id = uuidv7()
  await createUnit(who, {
    id,
    title: 'Washer',
    serial: `SN-${MARK}`,
    sheet: SHEET,
    customer: `${MARK} & Sons`,
    site: `At ${MARK}`,
  })
  return id
}

describe('what is kept of persons', () => {
  it('of a customer goes from every table, and what was measured stays', async () => {
    const { mara, ivo } = house.people
    const unit = await newUnit(mara)
    expect(new Set(ENTRIES(unit, uuidv7()).map((p) => p.type))).toEqual(
      new Set(payloadSchema.options.flatMap((o) => [...(o.shape.type._zod.values ?? [])])),
    )
    await writePhoto(mara, HASH, PICTURE)
    const job = await written(mara, unit, ENTRIES(unit, uuidv7()))
    const shared = await written(
      mara,
      LEFT,
      [
        { type: 'opened', unit: LEFT, complaints: ['no-fill'], words: '' },
        { type: 'photo', photo: HASH, width: 2, height: 2, about: 'found' },
      ],
      false,
    )
    await house.db.query(
      `INSERT INTO reports (id, organisation_id, job_id, seq, form, reader, state, asked_by, bytes, made_at)
       VALUES ($1, $2, $3, 1, 'full', 'customer', 'made', $4, $5, now())`,
      { bind: [uuidv7(), mara.organisation, job, mara.id, Buffer.from(MARK)] },
    )
    const visit = {
      unit,
      job: null,
      carePlan: null,
      person: mara.id,
      start: 600,
      minutes: 45,
      reason: 'call' as const,
      note: MARK,
    }
    const visitId = uuidv7()
    await putVisit(mara, visitId, { ...visit, day: '2030-01-07', ended: null, version: 0 })
    expect(await whereIs(MARK)).toEqual(
      expect.arrayContaining([
        'public.customers',
        'public.job_events',
        'public.jobs',
        'public.findable_vocabulary',
        'public.visits',
      ]),
    )
    expect(await whereIs(STROKE)).toEqual(['public.job_events'])
    const customer = (await listCustomers(mara)).find((c) => c.name.includes(MARK))!
    const held = { jobs: 1, open: 0, planned: 1, photos: 1, signatures: 1, reports: 1 }
    expect(await heldOfCustomer(mara, customer.id)).toMatchObject(held)
    const before = (await payloadsOf(mara, job)).filter((p) => p.type === 'reading' || p.type === 'new-part')

    await expect(eraseCustomer(ivo, customer.id)).rejects.toMatchObject({ statusCode: 404 })
    await expect(eraseCustomer(mara, customer.id)).rejects.toMatchObject({ statusCode: 409 })
    await putVisit(mara, visitId, { ...visit, day: '2030-01-07', ended: 'cancelled', version: 1 })
    expect(await eraseCustomer(mara, customer.id)).toEqual({ jobs: 1 })

    expect(await whereIs(MARK)).toEqual([])
    expect(await whereIs(STROKE)).toEqual([])
    const after = await payloadsOf(mara, job)
    for (const payload of after) expect(payloadSchema.safeParse(payload).error?.message).toBeUndefined()
    expect(after.filter((p) => p.type === 'reading' || p.type === 'new-part')).toEqual(before)
    expect((await findAnything(mara, MARK)).found).toEqual([])
    // Another job names the photo too: it is still there.
    expect((await readPhoto(mara, HASH)).length).toBeGreaterThan(0)
    expect(await payloadsOf(mara, shared)).toContainEqual(expect.objectContaining({ type: 'photo', photo: HASH }))
    const until = new Date(Date.now() - 60 * 60_000).toISOString()
    expect((await erasedSince(mara, until)).jobs).toContain(job)
    expect((await erasedSince(ivo, undefined)).jobs).toEqual([])
    expect((await listErasures(mara)).erasures).toMatchObject([{ what: 'customer', jobs: 1, by: 'Mara E.' }])
  })

  it('of somebody who worked here goes; the entries stay and are nobody’s any more', async () => {
    const { mara, joss } = house.people
    await house.db.query('UPDATE users SET name = $1, email = $2 WHERE id = $3', {
      bind: [`Joss ${OWN}`, `joss@${OWN}.example`, joss.id],
    })
    const who = { ...joss, name: `Joss ${OWN}` }
    const job = await open(who)
    await send(who, job, note('seen'))
    expect(await whereIs(OWN)).toContain('public.jobs')
    await house.db.query('INSERT INTO sign_in_tries (key, points) VALUES ($1, 1)', {
      bind: [`rlflx:joss@${OWN}.example|::1`],
    })
    await expect(erasePerson(mara, mara.id)).rejects.toMatchObject({ statusCode: 409 })
    await expect(erasePerson(house.people.ivo, joss.id)).rejects.toMatchObject({ statusCode: 404 })
    expect(await erasePerson(mara, joss.id)).toEqual({ jobs: 1 })
    expect(await whereIs(OWN)).toEqual([])
    expect((await listPeople(mara)).people.map((p) => p.id)).not.toContain(joss.id)
    const { events } = await readJob(mara, job)
    expect(events.map((e) => [e.payload.type, e.by.startsWith('Former colleague')])).toEqual([
      ['opened', true],
      ['note', true],
    ])
    // The job goes on.
    expect(await codes(mara, job, note('more'))).toEqual(['accepted'])
    await expect(erasePerson(mara, joss.id)).rejects.toMatchObject({ statusCode: 409 })
  })

  it('in papers of closed jobs goes when its time has come, but for a machine that was left unsafe', async () => {
    const { mara } = house.people
    const unit = await newUnit(mara)
    const [opened] = ENTRIES(unit, uuidv7()) as [Payload]
    const closed: Payload = { type: 'closed', repair: '', text: MARK, as: 'cancelled' }
    const old = await written(mara, unit, [opened, { type: 'note', text: MARK }, closed])
    const open = await written(mara, unit, [opened, { type: 'note', text: MARK }], false)
    const unsafe = await written(mara, unit, [opened, { type: 'left-unsafe', warning: MARK, photo: OTHER }, closed])
    const wordsOf = async (job: string) => JSON.stringify(await payloadsOf(mara, job)).includes(MARK)
    expect(await eraseOldPapers()).toBe(0)
    await house.db.query('UPDATE organisations SET keep_papers_months = 2')
    expect(await eraseOldPapers()).toBe(0)
    await house.db.query('UPDATE organisations SET keep_papers_months = 1')
    expect(await eraseOldPapers()).toBe(1)
    expect(await eraseOldPapers()).toBe(0)
    expect([await wordsOf(old), await wordsOf(open), await wordsOf(unsafe)]).toEqual([false, true, true])
    expect((await listErasures(mara)).erasures[0]).toMatchObject({ what: 'papers', jobs: 1, by: null })
    // What is added later has its own time.
    expect(await codes(mara, old, note(`later ${MARK}`))).toEqual(['accepted'])
    expect(await eraseOldPapers()).toBe(0)
    expect(await wordsOf(old)).toBe(true)
    await house.db.query(
      "UPDATE jobs SET papers_erased_at = now() - interval '50 days', touched_at = now() - interval '40 days' WHERE id = $1",
      { bind: [old] },
    )
    expect(await eraseOldPapers()).toBe(1)
    expect(await wordsOf(old)).toBe(false)
  })
})
