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
