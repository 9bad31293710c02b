import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  beginOfDay,
  clashesIn,
  dayAfter,
  daysBetween,
  daysOf,
  descaleEvery,
  dueOn,
  firstFree,
  localOf,
  momentOf,
  placeInLane,
  readClock,
  clockText,
  type WorkDay,
} from '../../../core/schedule'

const HOUR = 3600_000
const ZONES = ['Etc/UTC', 'Europe/Lisbon', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'Pacific/Apia']

describe('time on the wall', () => {
  it('is found again from the moment, and is missing exactly where no moment shows it', () => {
    // Every minute of the days around both changes of the year, gone through one by one.
    for (const timeZone of ZONES)
      for (const month of [2, 3, 8, 9, 10]) {
        const from = Date.UTC(2026, month, 22)
        const shown = new Map<string, number>()
        for (let at = from - 30 * HOUR; at < from + 14 * 24 * HOUR; at += 15 * 60_000) {
          const { day, minute } = localOf(at, timeZone)
          const key = `${day} ${minute}`
          if (!shown.has(key)) shown.set(key, at)
        }
        for (let d = 0; d < 12; d++)
          for (let minute = 0; minute < 1440; minute += 15) {
            const day = dayAfter(new Date(from).toISOString().slice(0, 10), d)
            const found = momentOf({ day, minute }, timeZone)
            const expected = shown.get(`${day} ${minute}`)
            expect(found, `${timeZone} ${day} ${clockText(minute)}`).toBe(expected ?? 'no-such-time')
          }
      }
  }, 120_000)
  it('a day of no calendar is said', () => {
    for (const day of ['2026-02-30', '2026-13-01', 'tomorrow', '2026-2-3'])
      expect(momentOf({ day, minute: 0 }, 'Etc/UTC')).toBe('no-such-day')
    // A whole day that a country left out as it crossed the date line.
    expect(momentOf({ day: '2011-12-30', minute: 600 }, 'Pacific/Apia')).toBe('no-such-time')
  })
  it('a day begins with the first moment that the wall shows it', () => {
    expect(beginOfDay('2026-02-30', 'Etc/UTC')).toBe('no-such-day')
    // Where midnight itself is left out, and a whole day.
    for (const [day, timeZone, shows] of [
      ['2026-09-06', 'America/Santiago', '2026-09-06 60'],
      ['2011-12-30', 'Pacific/Apia', '2011-12-31 0'],
      ['2026-03-29', 'Europe/Lisbon', '2026-03-29 0'],
    ] as const) {
      const at = beginOfDay(day, timeZone) as number
      const shown = localOf(at, timeZone)
      expect(`${shown.day} ${shown.minute}`).toBe(shows)
      expect(localOf(at - 60_000, timeZone).day < day).toBe(true)
    }
  })
  it('is written and read', () => {
    for (let m = 0; m < 1440; m += 7) expect(readClock(clockText(m))).toBe(m)
    for (const text of ['24:00', '7:60', '7', '', 'noon']) expect(readClock(text)).toBeUndefined()
  })
})

const lanes = fc
  .array(fc.record({ start: fc.integer({ min: 0, max: 1300 }), minutes: fc.integer({ min: 5, max: 240 }) }), {
    maxLength: 8,
  })
  .map((list) => list.map((v, i) => ({ id: String(i), ...v })))
const days: fc.Arbitrary<WorkDay> = fc.record({
  begins: fc.integer({ min: 300, max: 600 }),
  ends: fc.integer({ min: 900, max: 1200 }),
  travel: fc.integer({ min: 0, max: 45 }),
})

describe('a day of visits', () => {
  it('clashes are what two of them, or one and the day, cannot both be', () => {
    fc.assert(
      fc.property(lanes, days, (lane, day) => {
        const clashes = clashesIn(lane, day)
        for (const v of lane) {
          const earlier = lane.filter(
            (o) => o.start < v.start || (o.start === v.start && lane.indexOf(o) < lane.indexOf(v)),
          )
          const overlaps = earlier.some((o) => v.start < o.start + o.minutes)
          const hurried = earlier.some((o) => v.start < o.start + o.minutes + day.travel)
          const out = v.start < day.begins || v.start + v.minutes > day.ends
          expect(clashes.get(v.id) === 'overlaps').toBe(overlaps)
          expect(clashes.has(v.id)).toBe(hurried || out)
        }
      }),
    )
  })
  it('what is put into it clashes with nothing before it, moves nothing before it and nothing behind it further than it must', () => {
    fc.assert(
      fc.property(lanes, days, fc.nat(8), fc.integer({ min: 5, max: 240 }), (lane, day, k, minutes) => {
        const at = Math.min(k, lane.length)
        const order = [...lane].sort((a, b) => a.start - b.start)
        const placed = placeInLane(lane, { id: 'new', minutes }, at, day)
        expect(placed.map((v) => v.id)).toEqual([
          ...order.slice(0, at).map((v) => v.id),
          'new',
          ...order.slice(at).map((v) => v.id),
        ])
        order.slice(0, at).forEach((v, i) => expect(placed[i]!.start).toBe(v.start))
        const before = order.slice(0, at).reduce((u, v) => Math.max(u, v.start + v.minutes + day.travel), day.begins)
        const own = placed[at]!
        if (before < 1435) expect(own.start - before).toBeGreaterThanOrEqual(0)
        if (before < 1435) expect(own.start - before).toBeLessThan(5)
        let free = own.start + minutes + day.travel
        placed.slice(at + 1).forEach((v, i) => {
          const old = order[at + i]!
          if (old.start >= free) expect(v.start).toBe(old.start)
          else if (free < 1435) expect(v.start - free).toBeLessThan(5)
          free = Math.max(free, v.start + v.minutes + day.travel)
        })
      }),
    )
  })
  it('the first free time is free, and none earlier is', () => {
    fc.assert(
      fc.property(lanes, days, fc.integer({ min: 5, max: 200 }), (lane, day, minutes) => {
        const found = firstFree(lane, minutes, day)
        const fits = (start: number) =>
          start >= day.begins &&
          start + minutes <= day.ends &&
          lane.every((v) => start >= v.start + v.minutes + day.travel || start + minutes + day.travel <= v.start)
        const first = Array.from({ length: 288 }, (_, i) => i * 5).find(fits)
        expect(found).toBe(first)
      }),
    )
  })
})

describe('care that comes round', () => {
  it('is due its days after it was done, and at once where nobody knows', () => {
    expect(dueOn({ lastDone: '2026-02-27', everyDays: 3 }, '2026-01-01')).toBe('2026-03-02')
    expect(dueOn({ lastDone: undefined, everyDays: 30 }, '2026-02-03')).toBe('2026-02-03')
    expect(daysBetween('2024-02-28', '2024-03-01')).toBe(2)
  })
  it('descaling comes sooner by hardness and by litres, each in proportion', () => {
    const every = descaleEvery(15, 40, 1000)
    expect(every).toBe(93)
    expect(descaleEvery(30, 40, 1000)).toBe(Math.floor(every / 2))
    expect(descaleEvery(15, 80, 1000)).toBe(Math.floor(every / 2))
    // 93 days of 40 L at 15 °dH bring just under a kilogramme.
    expect(93 * 40 * 15 * 17.85).toBeLessThan(1e6)
    expect(94 * 40 * 15 * 17.85).toBeGreaterThan(1e6)
  })
  it('an interval is read as sheets write it', () => {
    expect(
      ['every three months', 'each week', 'every six months', 'each month', 'every two months'].map(daysOf),
    ).toEqual([90, 7, 180, 30, 60])
    expect(['when the lamp says so', 'each start', 'each evening'].map(daysOf)).toEqual([
      undefined,
      undefined,
      undefined,
    ])
  })
})
