import { beforeAll, describe, expect, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import type { Payload } from '../../../core/job'
import { random } from '../../../core/truth'
import { reckonExpected, shopFigures, unitHistory } from '../../../server/areas/figures/service'
import { outlook } from '../../../server/engine/outlook'
import { entry, LEFT, open, RIGHT, send, withHouse } from '../house'

const house = withHouse('figures')
const DAY = 86_400_000

interface Result {
  unit: string
  opened: number
  closed: number
  repair: string
  visits: number
  minutes: number
  inVain: number
  expected: number | null
}
/** Closed jobs as they might have been, straight into their table. */
const results: Result[] = []
beforeAll(async () => {
  const next = random(11)
  const now = Date.now()
  for (let i = 0; i < 400; i++) {
    const opened = now - 400 * DAY * next()
    const minutes = 5 + 60 * next()
    results.push({
      unit: next() < 0.5 ? LEFT : RIGHT,
      opened,
      closed: Math.min(now - 1000, opened + minutes * 60_000),
      repair: ['clean-screen', 'new-lid-switch', ''][Math.floor(next() * 3)]!,
      visits: next() < 0.8 ? 1 : 2,
      minutes,
      inVain: next() < 0.1 ? 1 : 0,
      expected: next() < 0.7 ? 10 + 50 * next() : null,
    })
  }
  const { organisation, id } = house.people.mara
  for (const r of results) {
    const job = uuidv7()
    await house.db.query(
      `WITH j AS (INSERT INTO jobs (id, organisation_id, unit_id, opened_by, touched_at, touched_by) VALUES (:job, :organisation, :unit, :id, now(), :id) RETURNING id)
       INSERT INTO job_results SELECT id, :organisation, :unit, 'orrisk-tl40', to_timestamp(:opened), to_timestamp(:closed), :repair, NULL, :visits, :minutes, :inVain, :expected FROM j`,
      { replacements: { ...r, job, organisation, id, opened: r.opened / 1000, closed: r.closed / 1000 } },
    )
  }
})
const median = (list: number[]) => {
  const sorted = [...list].sort((a, b) => a - b)
  const k = (sorted.length - 1) / 2
  return (sorted[Math.floor(k)]! + sorted[Math.ceil(k)]!) / 2
}

describe('figures of the shop', () => {
  it('are what a plain count over the same jobs comes to, for several periods', async () => {
    const { mara, ivo } = house.people
    for (const back of [90, 365]) {
      const from = new Date(Date.now() - back * DAY).toISOString().slice(0, 10)
      const figures = await shopFigures(mara, { from })
      const own = results.filter((r) => r.closed >= Date.parse(`${from}T00:00:00Z`))
      const calledBack = (r: Result) => {
        const later = results.filter((o) => o.unit === r.unit && o.opened > r.opened)
        return later.some((o) => o.opened === Math.min(...later.map((x) => x.opened)) && o.opened < r.closed + 30 * DAY)
      }
      const months = [...new Set(own.map((r) => new Date(r.closed).toISOString().slice(0, 7)))].sort()
      expect(figures.months.map((m) => m.month)).toEqual(months)
      for (const m of figures.months) {
        const of = own.filter((r) => new Date(r.closed).toISOString().startsWith(m.month))
        expect(m).toMatchObject({
          jobs: of.length,
          callBacks: of.filter(calledBack).length,
          inVain: of.reduce((n, r) => n + r.inVain, 0),
          firstVisit: of.filter((r) => r.visits === 1 && !r.inVain && r.repair && !calledBack(r)).length,
        })
        expect(m.minutes).toBeCloseTo(median(of.map((r) => r.minutes)), 3)
        const expected = of.flatMap((r) => r.expected ?? [])
        if (expected.length) expect(m.expected).toBeCloseTo(median(expected), 3)
      }
      const counts = Object.fromEntries(figures.causes.map((c) => [c.repair, c.jobs]))
      for (const repair of ['clean-screen', 'new-lid-switch', ''])
        expect(counts[repair] ?? 0).toBe(own.filter((r) => r.repair === repair).length)
      const ratios = own.flatMap((r) => (r.expected && r.repair ? [r.minutes / r.expected] : []))
      expect(figures.against).toMatchObject({ jobs: ratios.length })
      expect(figures.against!.middle).toBeCloseTo(median(ratios), 4)
    }
    expect((await shopFigures(ivo, {})).months).toEqual([])
    await expect(shopFigures(mara, { from: '2027-02-30' })).rejects.toMatchObject({ statusCode: 422 })
  })

  it('a job counts once it is closed, with its minutes, visits and what was expected of it; not while it is open again', async () => {
    const { mara } = house.people
    const job = await open(mara, LEFT)
    const row = async () =>
      (
        (await house.db.query('SELECT * FROM job_results WHERE job_id = :job', { replacements: { job } }))[0] as Record<
          string,
          unknown
        >[]
      )[0]
    await send(mara, job, entry({ type: 'reading', test: 'tub.filling', text: 'no' }))
    expect(await row()).toBeUndefined()
    const closing = { type: 'closed', repair: '', text: 'It works again.', as: 'works-now' } as const
    await send(mara, job, entry(closing))
    // Entries of three days: two gaps of more than a night, and one of twelve minutes.
    await house.db.query(
      `UPDATE job_events SET at = now() - CASE seq WHEN 1 THEN interval '2 days' WHEN 2 THEN interval '2 days' - interval '12 minutes' ELSE interval '0' END WHERE job_id = :job`,
      { replacements: { job } },
    )
    await send(mara, job, entry({ type: 'reopened' }))
    expect(await row()).toBeUndefined()
    await send(mara, job, entry(closing))
    expect(await row()).toMatchObject({ repair: '', ended_as: 'works-now', visits: 2, in_vain: 0, expected: null })
    expect((await row())!.minutes).toBeCloseTo(12, 1)
    await reckonExpected(job, (order) => Promise.resolve(outlook(order)))
    const { expected } = (await row())!
    expect(expected).toBeGreaterThan(1)
    await reckonExpected(job, () => Promise.reject(new Error('reckoned twice')))
  })

  it('a machine remembers every number read at it, without what was taken back, and what was done to it more than once', async () => {
    const { mara, ivo } = house.people
    const job = await open(mara, RIGHT)
    const [kept, gone] = [1002, 999].map((si) =>
      entry({ type: 'reading', test: 'cold-valve.ohms', text: `${si}`, value: { type: 'value', si } } as Payload),
    )
    for (const step of ['meter-first', 'isolate', 'prove-dead', 'edges'])
      await send(mara, job, entry({ type: 'safety', step }))
    await send(mara, job, kept, gone)
    const { readings } = await unitHistory(mara, RIGHT)
    const own = readings.filter((r) => r.job === job)
    expect(own.map((r) => r.si).sort()).toEqual([1002, 999])
    expect(own[0]).toMatchObject({ test: 'cold-valve.ohms', dimension: 'resistance' })
    await send(mara, job, entry({ type: 'retracted', event: gone!.id }))
    expect((await unitHistory(mara, RIGHT)).readings.filter((r) => r.job === job).map((r) => r.si)).toEqual([1002])
    const { repeated } = await unitHistory(mara, LEFT)
    for (const { repair, times } of repeated)
      expect(times).toBe(
        results.filter((r) => r.unit === LEFT && r.repair === repair && r.closed > Date.now() - 730 * DAY).length,
      )
    expect(repeated.length).toBe(2)
    await expect(unitHistory(ivo, LEFT)).rejects.toMatchObject({ statusCode: 404 })
  })
})
