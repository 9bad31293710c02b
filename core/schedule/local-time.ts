/** A day as YYYY-MM-DD, and minutes since its midnight as a clock on the wall shows them. */
export interface LocalTime {
  day: string
  /** 0 … 1439 */
  minute: number
}

const MINUTE = 60_000
const DAY = 1440 * MINUTE

const FORMATS = new Map<string, Intl.DateTimeFormat>()
const formatOf = (timeZone: string): Intl.DateTimeFormat => {
  let own = FORMATS.get(timeZone)
  if (!own) {
    own = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    })
    FORMATS.set(timeZone, own)
  }
  return own
}

/**
 * What the clock on the wall shows.
 *
 * @param at ms since 1970, UTC
 * @param timeZone IANA name
 * @throws RangeError for a zone that there is not
 */
export function localOf(at: number, timeZone: string): LocalTime {
  const { year, month, day, hour, minute } = Object.fromEntries(
    formatOf(timeZone)
      .formatToParts(at)
      .map((p) => [p.type, p.value]),
  ) as Record<string, string>
  return { day: `${year}-${month}-${day}`, minute: Number(hour) * 60 + Number(minute) }
}

/** @returns ms since 1970 if the wall kept UTC; `undefined` for a day that no calendar has, as 30 February */
function asUtc({ day, minute }: LocalTime): number | undefined {
  const at = Date.parse(`${day}T00:00:00Z`)
  const exists = !Number.isNaN(at) && new Date(at).toISOString().slice(0, 10) === day
  return exists && minute >= 0 && minute < 1440 ? at + minute * MINUTE : undefined
}

/**
 * The moment at which the clock on the wall shows a time; where it shows it twice, as clocks go back, the first.
 *
 * @returns ms since 1970, UTC; `no-such-day` for a day of no calendar, `no-such-time` for one that clocks going forward leave out
 * @example momentOf({ day: '2026-03-01', minute: 600 }, 'Etc/UTC') is 2026-03-01T10:00Z
 */
export function momentOf(local: LocalTime, timeZone: string): number | 'no-such-day' | 'no-such-time' {
  const utc = asUtc(local)
  if (utc === undefined) return 'no-such-day'
  // No zone is further from UTC than a day: what it is off by before and after are the only two that can hold.
  const offsets = [utc - DAY, utc + DAY].map((at) => asUtc(localOf(at, timeZone))! - at)
  const found = offsets
    .map((offset) => utc - offset)
    .filter((at) => {
      const shown = localOf(at, timeZone)
      return shown.day === local.day && shown.minute === local.minute
    })
  return found.length ? Math.min(...found) : 'no-such-time'
}

const STEP = 15

/** The first moment of a day: where clocks leave midnight out, the first there is; of a day that a country left out, that of the next. */
export function beginOfDay(day: string, timeZone: string): number | 'no-such-day' {
  for (let minute = 0; minute < 1440; minute += STEP) {
    const at = momentOf({ day, minute }, timeZone)
    if (at !== 'no-such-time') return at
  }
  return beginOfDay(dayAfter(day, 1), timeZone)
}

/** A day so many days later; earlier below 0. @param day YYYY-MM-DD */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY).toISOString().slice(0, 10)

/** Whole days from one day to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY)

/** 9:05 for 545. */
export const clockText = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(Math.round(minute % 60)).padStart(2, '0')}`

/** Minutes since midnight of a time as it is written; `undefined` for what is none. */
export function readClock(text: string): number | undefined {
  const [, h, m] = /^\s*(\d{1,2})[:.](\d{2})\s*$/.exec(text) ?? []
  const minute = Number(h) * 60 + Number(m)
  return h !== undefined && Number(m) < 60 && minute < 1440 ? minute : undefined
}
