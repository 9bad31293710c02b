import { EVENT_VERSION, type JobEvent, type Payload } from './event-schema'

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

/** Version 2: the tag of a reading's value was `is`. */
function fromV2(old: unknown): Payload {
  const payload = old as Payload & { value?: { is: string } }
  if (payload.type !== 'reading' || payload.value === undefined) return payload
  const { is, ...rest } = payload.value as { is: string }
  return { ...payload, value: { type: is, ...rest } } as Payload
}

/** Brings a payload one version further, by the version that it has. */
const STEPS: Record<number, (old: unknown) => unknown> = {
  1: (old) => fromV1(old as PayloadV1),
  2: fromV2,
}

/**
 * An event of any version in today's form. Rows are never rewritten.
 *
 * @throws Error on a version that this program does not know: a newer one wrote it
 */
export function upcast(row: WrittenEvent): JobEvent {
  const { id, at, device, seq } = row
  if (!(row.version <= EVENT_VERSION)) throw new Error(`Event version ${row.version} is newer than this program.`)
  let { payload } = row
  for (let version = row.version; version < EVENT_VERSION; version++) payload = STEPS[version](payload)
  return {
    id,
    version: EVENT_VERSION,
    at,
    device,
    ordinal: row.ordinal ?? 0,
    // Where it was not kept what a device had seen, it counts as having seen all before it.
    baseSeq: row.baseSeq ?? seq - 1,
    payload: payload as Payload,
  }
}
