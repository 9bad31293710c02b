import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, it } from 'vitest'
import { DeviceDatabase } from '../../app/data/database'
import { jobEventSchema } from '../../core/job'

/** The stores as the first program made them. */
const STORES = {
  outbox: '&id, person, [person+job]',
  jobs: '&[person+job], person',
  events: '&[person+job+seq], [person+job], person',
  sheets: '&revision',
  lists: '&[person+name], person',
  drafts: '&[person+key], person',
}
const ID = '01940000-0000-7000-8000-00000000000'
const event = (n: number, payload: object) => ({
  id: `${ID}${n}`,
  version: 2,
  at: '2026-03-01T10:00:00.000Z',
  device: 'a-phone',
  ordinal: n,
  baseSeq: 4,
  payload,
})
const entry = (n: number, payload: object, more: object = {}) => ({
  id: `${ID}${n}`,
  person: 'mara',
  personName: 'Mara E.',
  job: 'a-job',
  ordinal: n,
  state: 'waiting',
  code: '',
  message: '',
  event: event(n, payload),
  ...more,
})

const opened: Dexie[] = []
afterEach(() => {
  for (const db of opened.splice(0)) db.close()
})

describe('a device that was last used with the program before', () => {
  it('keeps what waits, in today’s form and acceptable to the server, and fetches the rest again', async () => {
    const before = new Dexie('upgraded')
    before.version(1).stores(STORES)
    await before.open()
    const waiting = entry(1, {
      type: 'reading',
      test: 'cold-valve.ohms',
      text: '2k7',
      value: { is: 'value', si: 2700 },
    })
    const refused = entry(
      2,
      { type: 'action', action: { verb: 'open', target: 'back' } },
      { state: 'refused', code: 'closed', message: 'The job is closed.' },
    )
    await before.table('outbox').bulkAdd([waiting, refused])
    await before.table('events').add({ person: 'mara', job: 'a-job', seq: 1, event: event(3, { type: 'reopened' }) })
    await before.table('lists').add({ person: 'mara', name: 'jobs:all', value: [1] })
    await before.table('drafts').add({ person: 'mara', key: 'a-job', value: '2k' })
    before.close()

    const db = new DeviceDatabase('upgraded')
    opened.push(db)
    const entries = await db.outbox.orderBy('id').toArray()
    expect(entries.map((e) => [e.id, e.person, e.job, e.state])).toEqual([
      [`${ID}1`, 'mara', 'a-job', 'waiting'],
      [`${ID}2`, 'mara', 'a-job', 'refused'],
    ])
    expect(entries[1]).toMatchObject({ code: 'closed', message: 'The job is closed.' })
    for (const { event: kept } of entries) {
      const { id, at, device, ordinal, baseSeq } = event(kept.ordinal, {})
      expect(kept).toMatchObject({ id, at, device, ordinal, baseSeq })
      expect(jobEventSchema.safeParse(JSON.parse(JSON.stringify(kept))).error?.issues).toBeUndefined()
    }
    expect(entries[0]!.event.payload).toMatchObject({
      type: 'reading',
      text: '2k7',
      value: { type: 'value', si: 2700 },
    })
    expect(await db.events.count()).toBe(0)
    expect(await db.lists.count()).toBe(0)
    expect(await db.drafts.toArray()).toEqual([{ person: 'mara', key: 'a-job', value: '2k' }])
  })
})
