import type { JobEvent } from '../job'

/**
 * The entries of one person at one job that the server has not taken yet, as a pure transition: what goes out and
 * what is written comes back as effects, a thin runner acts. An entry leaves only when the server says `accepted`
 * or `duplicate`, or when its person discards it; a refused one stays with its reason.
 */
export interface OutboxEntry {
  event: JobEvent
  state: 'waiting' | 'refused'
  /** Why it was refused; empty while it waits. */
  code: string
  message: string
}

export interface Outbox {
  entries: readonly OutboxEntry[]
  /** Ids on their way; at most one request is out at a time. */
  sending: readonly string[]
  /** Most entries in one request: halved where the wire finds it too large. */
  batch: number
  /** Failures since the last answer. */
  failures: number
  /** What keeps it waiting; empty when nothing does. */
  trouble: { code: string; message: string } | undefined
}

/** What became of one event. */
export type EventResult =
  | { id: string; status: 'accepted' | 'duplicate'; seq: number }
  | { id: string; status: 'refused'; code: string; message: string }

export type OutboxInput =
  | { type: 'entered'; event: JobEvent }
  /** The time has come, the connection is back, or somebody asks. */
  | { type: 'due' }
  | { type: 'answered'; results: readonly EventResult[] }
  /** The request as a whole came to nothing, for whatever reason. `status` 0: no answer. */
  | { type: 'failed'; status: number; code: string; message: string }
  | { type: 'discarded'; id: string }
  | { type: 'resent'; id: string }

export type OutboxEffect =
  | { type: 'keep'; entry: OutboxEntry }
  /** `seq`: where the server put it; absent where its person discarded it. */
  | { type: 'drop'; id: string; seq: number | undefined }
  | { type: 'post'; events: JobEvent[] }
  | { type: 'wake'; milliseconds: number }

/** Most events in one request. */
export const MOST_IN_A_REQUEST = 100
const FIRST_PAUSE = 1000
const LONGEST_PAUSE = 30_000

export const emptyOutbox: Outbox = {
  entries: [],
  sending: [],
  batch: MOST_IN_A_REQUEST,
  failures: 0,
  trouble: undefined,
}

/** An outbox as it is found on a device. */
export const restoreOutbox = (entries: readonly OutboxEntry[]): Outbox => ({ ...emptyOutbox, entries })

interface Step {
  outbox: Outbox
  effects: OutboxEffect[]
}

/** Sends the oldest waiting entries, unless some are on their way. */
function sendNext(outbox: Outbox, effects: OutboxEffect[]): Step {
  const waiting = outbox.entries.filter((e) => e.state === 'waiting')
  if (outbox.sending.length || !waiting.length) return { outbox, effects }
  const events = waiting.slice(0, outbox.batch).map((e) => e.event)
  return {
    outbox: { ...outbox, sending: events.map((e) => e.id) },
    effects: [...effects, { type: 'post', events }],
  }
}

function pause(outbox: Outbox, trouble: Outbox['trouble'], batch = outbox.batch): Step {
  const failures = outbox.failures + 1
  // Splitting a batch is no outage: the half goes at once.
  const milliseconds = batch < outbox.batch ? 0 : Math.min(LONGEST_PAUSE, FIRST_PAUSE * 2 ** Math.min(failures - 1, 10))
  return {
    outbox: { ...outbox, sending: [], failures, trouble, batch },
    effects: [{ type: 'wake', milliseconds }],
  }
}

function answered(outbox: Outbox, results: readonly EventResult[]): Step {
  const byId = new Map(results.filter((r) => outbox.sending.includes(r.id)).map((r) => [r.id, r]))
  // An answer that settles nothing is no answer.
  if (!byId.size) return pause(outbox, { code: 'no-answer', message: 'The server gave no usable answer.' })
  const entries: OutboxEntry[] = []
  const effects: OutboxEffect[] = []
  for (const entry of outbox.entries) {
    const r = byId.get(entry.event.id)
    if (!r) entries.push(entry)
    else if (r.status === 'refused') {
      const refused: OutboxEntry = { ...entry, state: 'refused', code: r.code, message: r.message }
      entries.push(refused)
      effects.push({ type: 'keep', entry: refused })
    } else effects.push({ type: 'drop', id: r.id, seq: r.seq })
  }
  return sendNext({ ...outbox, entries, sending: [], failures: 0, trouble: undefined, batch: outbox.batch }, effects)
}

/** The outbox after an input, and what is to be done. Pure. */
export function transition(outbox: Outbox, input: OutboxInput): Step {
  switch (input.type) {
    case 'entered': {
      if (outbox.entries.some((e) => e.event.id === input.event.id)) return { outbox, effects: [] }
      const entry: OutboxEntry = { event: input.event, state: 'waiting', code: '', message: '' }
      const next = { ...outbox, entries: [...outbox.entries, entry] }
      const effects: OutboxEffect[] = [{ type: 'keep', entry }]
      // While nobody answers, the timer that runs already sends it with the others.
      return outbox.failures ? { outbox: next, effects } : sendNext(next, effects)
    }
    case 'due':
      return sendNext(outbox, [])
    case 'answered':
      return answered(outbox, input.results)
    case 'failed': {
      const trouble = { code: input.code, message: input.message }
      const tooLarge = input.status === 413 && outbox.sending.length > 1
      return pause(outbox, trouble, tooLarge ? Math.ceil(outbox.sending.length / 2) : outbox.batch)
    }
    case 'discarded':
      return {
        outbox: { ...outbox, entries: outbox.entries.filter((e) => e.event.id !== input.id || e.state !== 'refused') },
        effects: outbox.entries
          .filter((e) => e.event.id === input.id && e.state === 'refused')
          .map((e) => ({ type: 'drop', id: e.event.id, seq: undefined })),
      }
    case 'resent': {
      const again = outbox.entries
        .filter((e) => e.event.id === input.id && e.state === 'refused')
        .map((e): OutboxEntry => ({ ...e, state: 'waiting', code: '', message: '' }))
      const entries = outbox.entries.map((e) => again.find((a) => a.event.id === e.event.id) ?? e)
      return sendNext(
        { ...outbox, entries },
        again.map((entry) => ({ type: 'keep', entry })),
      )
    }
  }
}
