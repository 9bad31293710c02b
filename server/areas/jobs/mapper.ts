import { describeBypass } from '../../../core/words'
import type { JobRow } from '../../../shared/contracts/jobs'
import type { ListedJob } from './list-repository'

export function toJobRow({ id, unit, listed, standing, created_at, touched_at }: ListedJob): JobRow {
  const { words, readings, repairs, bypasses, bypassTitles, disconnected = [], awaits, closed, by } = standing
  return {
    id,
    unit,
    ...listed,
    words,
    readings,
    repairs,
    bypasses: bypasses.map((key) => describeBypass(key, bypassTitles?.[key] ?? key)),
    disconnected: disconnected.map((d) => d.name),
    awaits: awaits && !closed ? { what: awaits.what, text: awaits.text } : null,
    closed: closed ? { repair: closed.text || closed.repair, by: closed.by, at: closed.at } : null,
    createdAt: created_at.toISOString(),
    touchedAt: touched_at.toISOString(),
    touchedBy: by,
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
