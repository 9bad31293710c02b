import { standingOf } from '../../repaired'
import { v7 as uuidv7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { foldJob, type Payload } from '../../../core/job'
import { appendToJob, pageOfJobs, readJob } from '../../../server/areas/jobs/service'
import { Job } from '../../../server/database/models'
import { codes, entry, LEFT, note, open, opening, RIGHT, send, withHouse } from '../house'

const house = withHouse('append')
const read = (text: string): Payload => ({ type: 'reading', test: 'tub.filling', text })
const close: Payload = { type: 'closed', repair: '', text: '' }
const jobEvents = async (job: string) => (await readJob(house.people.mara, job)).events

describe('appending to a job', () => {
  it('each event once, in a sequence without gaps, however many send at the same time', async () => {
    const { mara, joss } = house.people
    const job = uuidv7()
    const first = opening()
    const opened = await Promise.all(Array.from({ length: 6 }, () => codes(mara, job, first)))
    expect(opened.flat().sort()).toEqual(['accepted', ...Array<string>(5).fill('duplicate')])
    const notes = Array.from({ length: 24 }, (_, i) => note(`note ${i}`))
    await Promise.all([...notes, ...notes].map((e, i) => send(i % 2 ? mara : joss, job, e)))
    const closings = await Promise.all(Array.from({ length: 4 }, () => codes(mara, job, entry(close))))
    expect(closings.flat().sort()).toEqual(['accepted', 'closed', 'closed', 'closed'])
    const events = await jobEvents(job)
    expect(events.map((e) => e.seq)).toEqual(Array.from({ length: 26 }, (_, i) => i + 1))
    expect(new Set(events.map((e) => e.id)).size).toBe(26)
  })
  it('more openings at once than there are connections to the database', async () => {
    const { mara } = house.people
    const all = await Promise.all(Array.from({ length: 40 }, () => open(mara)))
    expect(new Set(all).size).toBe(40)
  })
  it('the state kept with the job is the fold of its events', async () => {
    const { mara, joss } = house.people
    const job = await open(mara)
    const back = note('to be taken back')
    const undo = entry({ type: 'retracted', event: back.id })
    await send(joss, job, back, undo, entry({ type: 'retracted', event: undo.id }))
    await send(mara, job, entry({ type: 'test-strategy', strategy: 'dead-first' }), entry(read('no')))
    await send(joss, job, entry({ type: 'safety', step: 'isolate' }))
    const folded = foldJob(await jobEvents(job))
    const row = await Job.findByPk(job)
    expect(row!.standing).toEqual(JSON.parse(JSON.stringify(standingOf(folded))))
    expect(folded.remarks.map((r) => [r.text, r.by])).toEqual([['to be taken back', 'Joss E.']])
  })
  it('one event that is refused or cannot be understood does not hold up the others, and each gets its reason', async () => {
    const { mara } = house.people
    const job = await open(mara)
    const odd = note('8\u0000', {})
    const half = note('\ud830', {})
    const year = note('x', { at: '0000-01-01T00:00:00.000Z' })
    const results = await codes(
      mara,
      job,
      odd,
      note('fine 1'),
      half,
      year,
      'nonsense',
      { id: 7 },
      entry(read('banana')),
      entry({ type: 'reading', test: 'no.such', text: '1' }),
      entry({ type: 'reading', test: 'cold-valve.volts', text: '118' }),
      entry({ type: 'retracted', event: uuidv7() }),
      note('x'.repeat(4001)),
      note('fine 2'),
    )
    const shape = 'wrong-shape'
    expect(results).toEqual([
      shape,
      'accepted',
      shape,
      shape,
      shape,
      shape,
      'bad-reading',
      'unknown-name',
      'make-safe-first',
      'not-retractable',
      shape,
      'accepted',
    ])
    expect((await jobEvents(job)).map((e) => e.seq)).toEqual([1, 2, 3])
  })
  it('the same id with other content is refused, in the same job and in another', async () => {
    const { mara } = house.people
    const [job, other] = [await open(mara), await open(mara, RIGHT)]
    const e = note('left a towel under it')
    expect(await codes(mara, job, e, e)).toEqual(['accepted', 'duplicate'])
    expect(await codes(mara, job, { ...e, payload: { type: 'note', text: 'other' } })).toEqual(['id-taken'])
    expect(await codes(mara, other, e)).toEqual(['id-taken'])
    // A retry carries another clock and is the same event.
    expect(await codes(mara, job, { ...e, at: '2026-01-01T00:00:00.000Z' })).toEqual(['duplicate'])
  })
  it('what was read before a closing that came first is let in and marked late; after it, it is refused', async () => {
    const { mara, joss } = house.people
    const job = await open(mara)
    await send(joss, job, entry(close))
    expect(await codes(mara, job, entry(read('no'), { baseSeq: 1 }))).toEqual(['accepted'])
    expect(await codes(mara, job, entry(read('no'), { baseSeq: 2 }))).toEqual(['closed'])
    const job2 = foldJob(await jobEvents(job))
    expect(job2.closed).toBeDefined()
    expect(job2.log.map((l) => l.late)).toEqual([true])
  })
  it('clocks a day off either way: the order is that of arrival, the job reopens, and it is said', async () => {
    const { mara } = house.people
    const job = await open(mara)
    const day = 86_400_000
    const by = (offset: number) => new Date(Date.now() + offset).toISOString()
    const fast = await appendToJob(mara, job, [entry(close, { at: by(day) })], by(day))
    expect(fast.clockOffset).toBeGreaterThan(day - 60_000)
    const slow = await appendToJob(mara, job, [entry({ type: 'reopened' }, { at: by(-day) })], by(-day))
    expect(slow.clockOffset).toBeLessThan(60_000 - day)
    expect((await appendToJob(mara, job, [note('x')], by(0))).clockOffset).toBe(0)
    const events = await jobEvents(job)
    expect(foldJob(events).closed).toBeUndefined()
    for (const e of events) expect(Math.abs(Date.parse(e.at) - Date.now())).toBeLessThan(60_000)
  })
  it('roles: who may only look writes nothing, a trainee does no live work', async () => {
    const { mara, pim, wenna } = house.people
    const job = await open(mara)
    const facts = (await import('../../../server/areas/sheets/service')).factsOfRevision(house.revision)
    for (const need of (await facts).needs) await send(mara, job, entry({ type: 'safety', step: need.id }))
    const live = () => entry({ type: 'reading', test: 'cold-valve.volts', text: '118' })
    expect(await codes(pim, job, live())).toEqual(['no-live-work'])
    expect(await codes(mara, job, live())).toEqual(['accepted'])
    expect(await codes(wenna, job, note('x'))).toEqual(['read-only'])
  })
  it('another organisation’s job and machine do not exist for this one', async () => {
    const { mara, ivo } = house.people
    const job = await open(mara)
    await expect(send(ivo, job, note('x'))).rejects.toMatchObject({ statusCode: 404 })
    await expect(readJob(ivo, job)).rejects.toMatchObject({ statusCode: 404 })
    expect(await codes(ivo, job, opening('01900000-0000-7000-8000-000000000201'))).toEqual(['id-taken'])
    expect(await codes(ivo, uuidv7(), opening(LEFT))).toEqual(['unknown-unit'])
    expect(JSON.stringify(await pageOfJobs(ivo, {}))).not.toContain(job)
    expect(await jobEvents(job)).toHaveLength(1)
  })
})
