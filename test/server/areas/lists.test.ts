import { describe, expect, it } from 'vitest'
import { pageOfJobs, readJob, readShopRecord, readShopRecordNow } from '../../../server/areas/jobs/service'
import { importUnits } from '../../../server/areas/units/import'
import {
  createUnit,
  listCustomers,
  listUnits,
  readUnit,
  renameCustomer,
  renameSite,
  updateUnit,
} from '../../../server/areas/units/service'
import { v7 as uuidv7 } from 'uuid'
import type { Payload } from '../../../core/job'
import { repaired } from '../../repaired'
import { codes, entry, open, RIGHT, send, SHEET, withHouse } from '../house'

const house = withHouse('lists')

describe('list of jobs', () => {
  it('pages through every job once, last touched first, also while others are touched', async () => {
    const { mara } = house.people
    const made: string[] = []
    for (let i = 0; i < 120; i++) made.push(await open(mara, i % 2 ? RIGHT : undefined, `call number ${i}`))
    const seen: string[] = []
    let cursor: string | undefined
    do {
      const page = await pageOfJobs(mara, cursor === undefined ? {} : { cursor })
      seen.push(...page.jobs.map((j) => j.id))
      cursor = page.next ?? undefined
      await send(mara, made[119]!, entry({ type: 'note', text: 'touched' }))
    } while (cursor)
    expect(seen).toEqual(made.toReversed())
  })
  it('finds a job beyond any page by any of its words, by state and by person, in one statement', async () => {
    const { mara, joss } = house.people
    const { jobs } = await pageOfJobs(mara, { q: 'NUMBER 7 hostel' })
    expect(jobs.map((j) => j.words)).toContain('call number 7')
    const [first] = jobs
    await send(joss, first!.id, ...repaired(SHEET, 'new-valve', entry, 'kettle 100%_\\'))
    expect((await pageOfJobs(mara, { state: 'closed' })).jobs.map((j) => j.id)).toEqual([first!.id])
    expect((await pageOfJobs(mara, { q: '100%_\\' })).jobs.map((j) => j.id)).toEqual([first!.id])
    expect((await pageOfJobs(joss, { mine: 'true' })).jobs.map((j) => j.id)).toEqual([first!.id])
    expect((await pageOfJobs(mara, { q: 'number 7', state: 'open' })).jobs.map((j) => j.id)).not.toContain(first!.id)
    expect((await pageOfJobs(mara, { unit: RIGHT })).jobs.every((j) => j.unit === RIGHT)).toBe(true)
    const statements: string[] = []
    const { options } = house.db as unknown as { options: { logging: false | ((sql: string) => void) } }
    // News of what was done before may go out meanwhile.
    options.logging = (sql) => void (sql.includes('pg_notify') || statements.push(sql))
    await pageOfJobs(mara, { q: 'hostel' })
    options.logging = false
    expect(statements).toHaveLength(1)
    await expect(pageOfJobs(mara, { cursor: 'bm9uc2Vuc2U' })).rejects.toMatchObject({ statusCode: 400 })
  })
})

describe('what the organisation has seen of a model', () => {
  it('counts closed jobs of before, without what was taken back, and nobody else’s', async () => {
    const { mara, joss, ivo } = house.people
    const before = await open(mara)
    const job = await open(joss, RIGHT)
    const ohms = (text: string, si: number, more = {}) =>
      entry({ type: 'reading', test: 'cold-valve.ohms', text, value: { type: 'value', si }, ...more } as Payload)
    const slip = ohms('9', 9)
    const sent = await codes(
      joss,
      job,
      ...['meter-first', 'isolate', 'prove-dead', 'edges'].map((step) => entry({ type: 'safety', step })),
      ohms('1002', 1002),
      slip,
      entry({ type: 'retracted', event: slip.id }),
      entry({ type: 'safety', step: 're-power' }),
      entry({ type: 'reading', test: 'cold-valve.hum', text: 'no', value: { type: 'no' } }),
      entry({ type: 'action', action: { verb: 'repair', target: 'open-taps' } }),
      ...repaired(SHEET, 'new-lid-switch', entry),
    )
    expect(new Set(sent)).toEqual(new Set(['accepted']))
    const still = await open(mara, RIGHT)
    await send(
      mara,
      still,
      entry({ type: 'reading', test: 'cold-valve.ohms', text: '1010', value: { type: 'value', si: 1010 } }),
    )
    const after = await open(mara)
    const record = await readShopRecord(mara, after)
    const mine = record.jobs.filter((j) => j.repair === 'new-lid-switch')
    expect(mine).toEqual([
      { repair: 'new-lid-switch', inVain: ['open-taps'], readings: [{ test: 'cold-valve.ohms', si: 1002 }] },
    ])
    expect(record.machineYears).toBeGreaterThan(0)
    // While a call about such a machine is told, the same is known already.
    const now = await readShopRecordNow(mara, RIGHT)
    expect(now.jobs).toEqual(record.jobs)
    expect(now.machineYears).toBe(record.machineYears)
    await expect(readShopRecordNow(ivo, RIGHT)).rejects.toMatchObject({ statusCode: 404 })
    // What came later says nothing of a job that was there before, however often it is asked: no job, and no machine.
    const later = {
      title: 'Orrisk TL-40, loft',
      serial: 'TL-0816',
      sheet: SHEET,
      customer: 'Quay Bakery',
      site: 'Loft',
    }
    await createUnit(mara, { id: uuidv7(), ...later })
    expect(await readShopRecord(mara, after)).toEqual(record)
    expect((await readShopRecordNow(mara, RIGHT)).machineYears).toBeGreaterThan(record.machineYears)
    expect((await readShopRecord(mara, before)).jobs.filter((j) => j.repair === 'new-lid-switch')).toEqual([])
    await expect(readShopRecord(ivo, after)).rejects.toMatchObject({ statusCode: 404 })
  })
})

describe('machines', () => {
  const fields = {
    title: 'Orrisk TL-40, annex',
    serial: 'TL-0815',
    sheet: SHEET,
    customer: 'Net Loft Café',
    site: 'Annex',
  }

  it('a machine is made once, changed, retired and found; what its jobs are found by follows', async () => {
    const { mara, ivo } = house.people
    const id = uuidv7()
    const unit = await createUnit(mara, { id, ...fields })
    expect(unit).toMatchObject({
      title: fields.title,
      customer: { name: 'Net Loft Café' },
      openJobs: 0,
      revision: house.revision,
    })
    await expect(createUnit(mara, { id, ...fields })).rejects.toThrow()
    await expect(createUnit(mara, { id: uuidv7(), ...fields, sheet: 'no-such' })).rejects.toMatchObject({
      statusCode: 422,
    })
    const job = await open(mara, id)
    await updateUnit(mara, id, { ...fields, title: 'Orrisk TL-40, boathouse', retired: true })
    expect((await listUnits(mara)).units.map((u) => u.id)).not.toContain(id)
    expect((await listUnits(mara, 'boathouse', true)).units).toMatchObject([{ id, retired: true, openJobs: 1 }])
    expect((await pageOfJobs(mara, { q: 'boathouse' })).jobs.map((j) => j.id)).toEqual([job])
    expect((await readUnit(mara, id)).visits.map((v) => v.id)).toEqual([job])
    await expect(readUnit(ivo, id)).rejects.toMatchObject({ statusCode: 404 })
    await expect(updateUnit(ivo, id, { ...fields, retired: false })).rejects.toMatchObject({ statusCode: 404 })
    expect((await readJob(mara, job)).unit.title).toBe('Orrisk TL-40, boathouse')
  })
  it('a customer gets another name, and the jobs are found by it', async () => {
    const { mara, ivo } = house.people
    const own = (await listCustomers(mara)).find((c) => c.name === 'Net Loft Café')!
    await renameCustomer(mara, own.id, 'Sail Loft Café')
    expect((await pageOfJobs(mara, { q: 'sail loft' })).jobs.length).toBeGreaterThan(0)
    await expect(renameCustomer(ivo, own.id, 'mine now')).rejects.toMatchObject({ statusCode: 404 })
    const [site] = own.sites
    await renameSite(mara, site!.id, 'Sail room')
    await expect(renameSite(ivo, site!.id, 'mine now')).rejects.toMatchObject({ statusCode: 404 })
    expect((await listUnits(mara, 'sail room')).units.length).toBeGreaterThan(0)
    const twin = (await listCustomers(mara)).find((c) => c.name === 'Quay Bakery')!
    await expect(renameCustomer(mara, twin.id, 'Sail Loft Café')).rejects.toThrow()
  })
  it('rows of a file: a preview names every wrong row and writes nothing; all or none are taken', async () => {
    const { mara } = house.people
    const before = (await listUnits(mara)).units.length
    const row = { ...fields, title: 'Row one', customer: 'Gannet Hall', site: 'Shed' }
    const rows = [
      row,
      { ...row, sheet: 'unheard-of' },
      { ...row, title: '' },
      { ...row, title: 'x'.repeat(200) },
      { ...row, title: 'odd \u0000' },
      { ...row, colour: 'red' },
      row,
    ]
    const preview = await importUnits(mara, rows, true)
    expect(preview.made).toBe(0)
    expect([...new Set(preview.problems.map((p) => p.row))]).toEqual([2, 3, 4, 5, 6, 7])
    expect((await listUnits(mara)).units).toHaveLength(before)
    const good = [row, { ...row, title: 'Row two', Sheet: 'Orrisk TL-40 top-load washer', sheet: SHEET }].map(
      ({ ...r }) => r,
    )
    delete (good[1] as Record<string, string>).Sheet
    expect(await importUnits(mara, good, false)).toMatchObject({
      made: 0,
      newCustomers: ['Gannet Hall'],
      newSites: ['Gannet Hall, Shed'],
    })
    expect((await listUnits(mara)).units).toHaveLength(before)
    expect(await importUnits(mara, good, true)).toMatchObject({ made: 2, problems: [] })
    expect((await listUnits(mara, 'gannet')).units.map((u) => u.title)).toEqual(['Row one', 'Row two'])
    expect((await importUnits(mara, good, true)).problems.map((p) => p.message)).toEqual(
      Array(2).fill('This machine is there already.'),
    )
  })
})
