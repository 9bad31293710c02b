import ICAL from 'ical.js'
import { beforeAll, describe, expect, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { moveStock, writePart } from '../../../server/areas/parts/service'
import { packForDay } from '../../../server/areas/schedule/packing'
import {
  calendarBehind,
  careOf,
  listVisits,
  makeCalendarLink,
  outlookOf,
  putCare,
  putVisit,
  reckonOutlooksBy,
  revokeCalendarLink,
  toPlace,
} from '../../../server/areas/schedule/service'
import type { Payload } from '../../../core/job'
import { factsOfRevision } from '../../../server/areas/sheets/service'
import { outlook } from '../../../server/engine/outlook'
import type { VisitFields } from '../../../shared/contracts/schedule'
import { entry, LEFT, open, RIGHT, send, withHouse } from '../house'

const house = withHouse('schedule')
beforeAll(() => reckonOutlooksBy((order) => Promise.resolve(outlook(order))))

const fields = (more: Partial<VisitFields> = {}): VisitFields => ({
  unit: LEFT,
  job: null,
  carePlan: null,
  person: house.people.mara.id,
  day: '2027-03-01',
  start: 9 * 60,
  minutes: 45,
  reason: 'call',
  note: '',
  ended: null,
  version: 0,
  ...more,
})
/** On a machine that has much to do one is told to ask again. */
async function whenReckoned<T>(ask: () => Promise<T>): Promise<T> {
  for (;;)
    try {
      return await ask()
    } catch (error) {
      if ((error as { statusCode?: number }).statusCode !== 429) throw error
    }
}
const on = async (day: string) => (await listVisits(house.people.mara, { from: day, days: 1 })).visits

describe('visits', () => {
  it('stand on the day and at the time that the wall shows, also as clocks change; a time that they leave out is refused', async () => {
    const there = { ...house.people.mara, timeZone: 'Europe/Lisbon' }
    for (const [day, start] of [
      ['2027-03-27', 90],
      ['2027-03-28', 0],
      ['2027-03-28', 150],
      ['2027-10-31', 90],
      ['2027-10-31', 1439],
    ] as const) {
      const id = uuidv7()
      await putVisit(there, id, fields({ day, start }))
      const { visits } = await listVisits(there, { from: day, days: 1 })
      expect(visits.find((v) => v.id === id)).toMatchObject({ day, start })
    }
    for (const [day, start, code] of [
      ['2027-03-28', 90, 'no-such-time'],
      ['2027-02-29', 600, 'no-such-day'],
    ] as const) {
      const id = uuidv7()
      await expect(putVisit(there, id, fields({ day, start }))).rejects.toMatchObject({
        statusCode: 422,
        data: { code },
      })
      expect((await listVisits(there, { from: '2027-02-01', days: 42 })).visits.some((v) => v.id === id)).toBe(false)
    }
  })

  it('changed by two at once, one of them is told; of another organisation nothing is seen or written', async () => {
    const { mara, joss, ivo } = house.people
    const id = uuidv7()
    const { visit } = await putVisit(mara, id, fields({ day: '2027-04-01' }))
    const both = await Promise.allSettled([
      putVisit(mara, id, fields({ day: '2027-04-01', start: 600, version: visit.version })),
      putVisit(joss, id, fields({ day: '2027-04-01', start: 700, version: visit.version })),
    ])
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected'])
    expect(both.find((b) => b.status === 'rejected')).toMatchObject({ reason: { data: { code: 'visit-changed' } } })
    expect((await listVisits(ivo, { from: '2027-04-01', days: 1 })).visits).toEqual([])
    for (const more of [{}, { unit: RIGHT, person: ivo.id }])
      await expect(putVisit(ivo, uuidv7(), fields({ person: ivo.id, ...more }))).rejects.toMatchObject({
        statusCode: 404,
      })
    await expect(putVisit(mara, uuidv7(), fields({ person: ivo.id }))).rejects.toMatchObject({ statusCode: 404 })
    await expect(putVisit(ivo, id, fields({ version: 2 }))).rejects.toMatchObject({ statusCode: 404 })
  })

  it('a call asks for one until it is placed, and again when it is called off; a part on order asks for a return', async () => {
    const { mara } = house.people
    const job = await open(mara)
    const asked = async () => (await toPlace(mara)).jobs.find((j) => j.job === job)
    expect(await asked()).toMatchObject({ reason: 'call', minutes: null })
    const { length } = await whenReckoned(() => outlookOf(mara, job))
    expect(await asked()).toMatchObject({ minutes: length })
    expect(length % 15).toBe(0)
    const id = uuidv7()
    const { visit } = await putVisit(mara, id, fields({ job, minutes: length, day: '2027-04-02' }))
    expect(visit.about).not.toBe('')
    expect(await asked()).toBeUndefined()
    await putVisit(mara, id, fields({ job, day: '2027-04-02', ended: 'done', version: visit.version }))
    const part = { number: 'VB-9', title: 'Valve body' }
    const awaits = {
      type: 'awaits',
      what: 'part',
      text: 'Tap shut.',
      parts: [part],
      until: '2027-04-20',
    } satisfies Payload
    await send(mara, job, entry(awaits))
    expect(await asked()).toMatchObject({ reason: 'return', until: '2027-04-20', come: false })
    const own = uuidv7()
    const catalogue = { fits: [], kit: [], substitutes: [], kind: '', volts: '', degrees: '', contact: '', thread: '' }
    await writePart(mara, own, { ...part, ...catalogue, priceMinor: 900, reorderAt: 0, retired: false })
    await moveStock(mara, own, { type: 'received', id: uuidv7(), to: 'shop', count: 1 })
    expect(await asked()).toMatchObject({ come: true })
    // For a day with the return in it, what is on order is taken along for certain.
    await putVisit(mara, uuidv7(), fields({ job, day: '2027-04-20', reason: 'return' }))
    const packing = await packForDay(mara, { person: mara.id, day: '2027-04-20', budget: 1000 })
    expect(packing.packed).toMatchObject([{ number: 'VB-9', count: 1, chance: 1, minor: 900, inShop: 1 }])
    const dear = await packForDay(mara, { person: mara.id, day: '2027-04-20', budget: 800 })
    expect(dear.packed).toEqual([])
  })

  it('packs for calls by the chances of the engine: what the likeliest repairs take, not more money than there is', async () => {
    const { joss } = house.people
    const { repairs } = await factsOfRevision(house.revision)
    const numbered = repairs.filter((r) => r.partNumber !== undefined)
    expect(numbered.length).toBeGreaterThan(0)
    for (const [i, r] of numbered.entries())
      await writePart(joss, uuidv7(), {
        ...{ number: r.partNumber!, title: r.title, kind: '', fits: [], kit: [], substitutes: [] },
        ...{ volts: '', degrees: '', contact: '', thread: '', priceMinor: 1000 + i, reorderAt: 0, retired: false },
      })
    const jobs = await Promise.all([open(joss), open(joss, RIGHT)])
    for (const [i, job] of jobs.entries())
      await putVisit(
        joss,
        uuidv7(),
        fields({ job, unit: [LEFT, RIGHT][i], person: joss.id, day: '2027-05-03', start: 480 + 90 * i }),
      )
    const all = await whenReckoned(() => packForDay(joss, { person: joss.id, day: '2027-05-03', budget: 1e6 }))
    expect(all.calls).toBe(2)
    expect(all.packed.length).toBeGreaterThan(1)
    const { needs } = await outlookOf(joss, jobs[0]!)
    for (const p of all.packed) {
      const once = needs.filter((n) => n.number === p.number).reduce((sum, n) => sum + n.chance, 0)
      expect(p.chance).toBeCloseTo(1 - (1 - once) ** 2, 9)
    }
    const poor = await packForDay(joss, { person: joss.id, day: '2027-05-03', budget: 1100 })
    expect(poor.packed.map((p) => p.count)).toEqual([1])
    expect(poor.packed[0]!.chance).toBe(Math.max(...all.packed.map((p) => p.chance)))
  })
  it('is reckoned once for all who ask; of many at once some are told to come back, and find it then', async () => {
    const { mara } = house.people
    let go = () => {}
    const gate = new Promise<void>((resolve) => (go = resolve))
    const reckoned: string[] = []
    reckonOutlooksBy(async (order) => {
      reckoned.push(order.events[0]!.id)
      await gate
      return { minutes: 30, diagnosis: 10, needs: [] }
    })
    try {
      const jobs: string[] = []
      for (let i = 0; i < 30; i++) jobs.push(await open(mara))
      const ask = (job: string) =>
        outlookOf(mara, job).then(
          () => 200,
          (error: unknown) => (error as { statusCode: number }).statusCode,
        )
      const first = jobs.slice(0, 24).map(ask)
      await expect.poll(() => reckoned.length).toBe(24)
      const again = [jobs[0]!, jobs[1]!].map(ask)
      expect(await Promise.all(jobs.slice(24).map(ask))).toEqual([429, 429, 429, 429, 429, 429])
      go()
      expect(new Set(await Promise.all([...first, ...again]))).toEqual(new Set([200]))
      expect(new Set(reckoned).size).toBe(24)
      for (const job of jobs) expect((await outlookOf(mara, job)).length).toBe(30)
    } finally {
      reckonOutlooksBy((order) => Promise.resolve(outlook(order)))
    }
  })
})

describe('care', () => {
  it('comes round when it was taken; descaling by what comes in with the water', async () => {
    const { mara, ivo } = house.people
    const [id, other] = [uuidv7(), uuidv7()]
    const plan = { unit: LEFT, title: 'Screens rinsed', minutes: 30, water: null, retired: false }
    await putCare(mara, id, { ...plan, everyDays: 30, lastDone: '2020-01-01' })
    const limed = { ...plan, title: 'Descaled', everyDays: null, lastDone: '2020-01-01' }
    const { plan: own } = await putCare(mara, other, { ...limed, water: { hardness: 15, litres: 40, lime: 1000 } })
    expect(own).toMatchObject({ everyDays: 93, due: '2020-04-03' })
    await expect(putCare(mara, uuidv7(), limed)).rejects.toMatchObject({ data: { code: 'no-interval' } })
    await expect(putCare(ivo, id, { ...plan, everyDays: 30, lastDone: null })).rejects.toMatchObject({
      statusCode: 404,
    })
    const asked = async () => (await toPlace(mara)).care.map((c) => c.plan)
    expect(await asked()).toEqual([id, other])
    const day = new Date().toISOString().slice(0, 10)
    const visit = fields({ carePlan: id, reason: 'care', day })
    const { visit: placed } = await putVisit(mara, uuidv7(), visit)
    expect(await asked()).toEqual([other])
    await putVisit(mara, placed.id, { ...visit, ended: 'done', version: placed.version })
    expect((await careOf(mara, LEFT)).plans.find((p) => p.id === id)).toMatchObject({ lastDone: day })
    expect(await asked()).toEqual([other])
    expect((await careOf(mara, LEFT)).sheet.length).toBeGreaterThan(0)
  })
})

describe('the calendar of a person', () => {
  it('is what was placed, as an independent parser reads it; called off is said; revoked it is gone', async () => {
    const { joss } = house.people
    const day = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10)
    const text = 'Ring first, gate; code 4\\711\nBack door — “narrow”, ' + 'very long '.repeat(30)
    const [kept, off] = [uuidv7(), uuidv7()]
    await putVisit(joss, kept, fields({ person: joss.id, day, start: 555, minutes: 75, note: text }))
    const { visit } = await putVisit(joss, off, fields({ person: joss.id, day, start: 700 }))
    await putVisit(joss, off, fields({ person: joss.id, day, start: 720, ended: 'cancelled', version: visit.version }))
    expect(await on(day)).toMatchObject([{ id: kept }])
    const { path } = await makeCalendarLink(joss)
    const file = path.split('/').at(-1)!
    const bytes = await calendarBehind(file)
    const read = new TextDecoder().decode(bytes)
    for (const line of read.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75)
    const events = new ICAL.Component(ICAL.parse(read) as never[])
      .getAllSubcomponents('vevent')
      .map((c) => new ICAL.Event(c))
    const own = events.find((e) => e.uid === `${kept}@duckweed`)!
    expect(own.startDate.toJSDate().toISOString()).toBe(`${day}T09:15:00.000Z`)
    expect(own.duration.toSeconds()).toBe(75 * 60)
    expect(own.description).toBe(text)
    expect(own.location).toContain('Harbour Lights Hostel')
    const gone = events.find((e) => e.uid === `${off}@duckweed`)!
    expect(gone.component.getFirstPropertyValue('status')).toBe('CANCELLED')
    expect(gone.sequence).toBeGreaterThan(own.sequence)
    expect(events.every((e) => e.uid !== '')).toBe(true)
    // A new secret takes the old one's place; a revoked one reads as one that never was.
    const { path: newer } = await makeCalendarLink(joss)
    await expect(calendarBehind(file)).rejects.toMatchObject({ statusCode: 404 })
    await revokeCalendarLink(joss)
    await expect(calendarBehind(newer.split('/').at(-1)!)).rejects.toMatchObject({ statusCode: 404 })
  })
})
