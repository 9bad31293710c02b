import { createEvents, type EventAttributes } from 'ics'
import type { VisitRow } from './repository'

/** Who wrote the file, as RFC 5545 asks for. */
const PRODUCT = 'duckweed/visits'

const REASONS = { call: 'Call', return: 'Return visit', care: 'Care' } as const

const utc = (at: Date): EventAttributes['start'] => [
  at.getUTCFullYear(),
  at.getUTCMonth() + 1,
  at.getUTCDate(),
  at.getUTCHours(),
  at.getUTCMinutes(),
]

/** Longest line of a calendar, octets. */
const LONGEST_LINE = 75

/** Folds lines by octets, as RFC 5545 asks for, between characters: the writer of the file counts letters. */
function foldByOctets(text: string): string {
  const lines = text.replace(/\r\n[ \t]/g, '').split('\r\n')
  return lines
    .map((line) => {
      let folded = ''
      let octets = 0
      for (const letter of line) {
        const own = Buffer.byteLength(letter)
        if (octets + own > LONGEST_LINE) {
          folded += '\r\n '
          octets = 1
        }
        folded += letter
        octets += own
      }
      return folded
    })
    .join('\r\n')
}

/**
 * Visits as a calendar reads them: RFC 5545, times in UTC. A visit keeps its UID, and its SEQUENCE grows with each change, so that a
 * calendar that has it already moves it; one that was called off is said to be.
 *
 * @throws Error where an event cannot be written
 */
export function calendarOf(name: string, visits: readonly VisitRow[]): Uint8Array {
  const events = visits.map((v): EventAttributes => ({
    uid: `${v.id}@duckweed`,
    sequence: v.version,
    start: utc(v.starts_at),
    startInputType: 'utc',
    startOutputType: 'utc',
    duration: { minutes: v.minutes },
    title: `${REASONS[v.reason]}: ${v.title}`,
    location: `${v.customer}, ${v.place}`,
    description: [v.about, v.note].filter(Boolean).join('\n'),
    status: v.ended === 'cancelled' ? 'CANCELLED' : 'CONFIRMED',
  }))
  const { error, value } = createEvents(events, { productId: PRODUCT, calName: name, method: 'PUBLISH' })
  if (error) throw error
  // Nothing planned is a calendar too.
  return new TextEncoder().encode(foldByOctets(value ?? ''))
}
