const LOCALE = 'en-GB'

/** A moment as the organisation's clock shows it: day and time, or the day alone. */
export const formatMoment = (iso: string, timeZone: string, form: 'minute' | 'day' = 'minute'): string =>
  new Date(iso).toLocaleString(LOCALE, {
    day: 'numeric',
    month: 'short',
    ...(form === 'day' ? { year: 'numeric' } : { hour: '2-digit', minute: '2-digit' }),
    timeZone,
  })

/** The time of day alone. */
export const formatTime = (iso: string, timeZone?: string): string =>
  new Date(iso).toLocaleTimeString(LOCALE, { hour: '2-digit', minute: '2-digit', ...(timeZone ? { timeZone } : {}) })

/** A day of a calendar, as 2026-11-30, the way people write it: "Mon 30 Nov". */
export const formatDay = (day: string): string =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString(LOCALE, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
