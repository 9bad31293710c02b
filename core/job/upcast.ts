import type { JobEvent, Payload } from './event-schema'

/** A row of the event table as it was written, in whatever version. */
export interface WrittenEvent {
  id: string
  version: number
  at: string
  device: string
  ordinal: number | null
  baseSeq: number | null
  payload: unknown
  seq: number
}

/** Version 1: the tag was `is`, a unit was a `machine`, and two choices had other names. */
type PayloadV1 =
  | { is: 'opened'; machine: string; complaints: string[]; words: string }
  | { is: 'order'; order: string }
  | { is: 'bands'; bands: string }
  | { is: Exclude<Payload['type'], 'opened' | 'test-strategy' | 'acceptance'> }

function fromV1(old: PayloadV1): Payload {
  switch (old.is) {
    case 'opened':
      return { type: 'opened', unit: old.machine, complaints: old.complaints, words: old.words }
    case 'order':
      return { type: 'test-strategy', strategy: old.order } as Payload
    case 'bands':
      return { type: 'acceptance', acceptance: old.bands } as Payload
    default: {
      const { is, ...rest } = old
      return { type: is, ...rest } as Payload
    }
  }
}

/**
 * An event of any version in today's form. Rows are never rewritten.
 *
 * @throws Error on a version that this program does not know: a newer one wrote it
 */
export function upcast(row: WrittenEvent): JobEvent {
  const { id, at, device, seq } = row
  // Where it was not kept what a device had seen, it counts as having seen all before it.
  const common = { id, version: 2 as const, at, device, ordinal: row.ordinal ?? 0, baseSeq: row.baseSeq ?? seq - 1 }
  if (row.version === 2) return { ...common, payload: row.payload as Payload }
  if (row.version === 1) return { ...common, payload: fromV1(row.payload as PayloadV1) }
  throw new Error(`Event version ${row.version} is newer than this program.`)
}
