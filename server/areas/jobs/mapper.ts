import type { JobRow } from '../../../shared/contracts/jobs'
import type { ListedJob } from './repository'

export function toJobRow(row: ListedJob): JobRow {
  const s = row.standing
  return {
    id: row.id,
    unit: row.unit,
    title: row.title,
    customer: row.customer,
    place: row.place,
    complaints: row.complaints_said,
    words: s?.words ?? '',
    readings: s?.readings ?? 0,
    repairs: s?.repairs ?? 0,
    bypasses: s?.bypasses ?? [],
    closed: s?.closed ? { repair: s.closed.text || s.closed.repair, by: s.closed.by, at: s.closed.at } : null,
    openedBy: row.opened_by,
    createdAt: row.created_at.toISOString(),
    touchedAt: row.touched_at.toISOString(),
    touchedBy: row.touched_by,
  }
}

/** Where a page of the list ended, as an opaque text. */
export const toCursor = (row: ListedJob): string =>
  Buffer.from(`${row.touched_at.toISOString()} ${row.id}`).toString('base64url')

/** @returns undefined when the text is no cursor of ours */
export function fromCursor(text: string): { touchedAt: string; id: string } | undefined {
  const match = /^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z) ([0-9a-f-]{36})$/.exec(
    Buffer.from(text, 'base64url').toString('latin1'),
  )
  return match ? { touchedAt: match[1]!, id: match[2]! } : undefined
}
