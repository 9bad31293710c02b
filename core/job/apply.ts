import type { Payload, SequencedEvent } from './event-schema'

/**
 * What a job has come to, without its log: all that the guard and the lists need, kept with the job's row. It grows
 * with what stands, not with the number of events.
 */
export interface JobStanding {
  /** Sequence of the last event applied; 0 for a job that is not opened. */
  seq: number
  unit: string | undefined
  /** Revision of the sheet it was begun with; `undefined` for jobs of before revisions were kept. */
  revision: string | undefined
  words: string
  complaints: string[]
  /** What was said of the days before; absent where nothing was. */
  circumstances?: string[]
  /** Ids of the standing confirmations of each safety step. */
  safety: Record<string, string[]>
  /** Of them, those that the next live work takes back; absent where none is. */
  untilLive?: string[]
  /** Parts with a jumper still in. */
  bypasses: string[]
  strategy: string
  acceptance: string
  readings: number
  notes: number
  repairs: number
  /** Ids of events taken back. */
  gone: string[]
  /** Who entered the last event. */
  by: string
  /** Sequence of the last reopening, or of the first entry of another day: what was made safe before it is safe no more. */
  reopenedSeq?: number
  /** Sequence of the last work on the powered machine. */
  liveSeq?: number
  /** When the last entry was made. */
  lastAt?: string
  closed: { event: string; seq: number; repair: string; text: string; at: string; by: string } | undefined
}

export const emptyStanding: JobStanding = {
  seq: 0,
  unit: undefined,
  revision: undefined,
  words: '',
  complaints: [],
  safety: {},
  bypasses: [],
  strategy: 'best',
  acceptance: 'published',
  readings: 0,
  notes: 0,
  repairs: 0,
  gone: [],
  by: '',
  closed: undefined,
}

/**
 * Whether an entry can be taken back. An action changed the machine and the opening is the job itself: neither can.
 * A repair that did not do has no other way back.
 */
export const isRetractable = (payload: Payload): boolean =>
  ['reading', 'safety', 'note', 'retracted'].includes(payload.type) ||
  (payload.type === 'action' && payload.action.verb === 'repair')

type Find = (id: string) => Pick<SequencedEvent, 'id' | 'seq' | 'payload'> | undefined

/** Counts an entry in or out. */
function count(s: JobStanding, id: string, payload: Payload, by: 1 | -1): JobStanding {
  switch (payload.type) {
    case 'reading':
      return { ...s, readings: s.readings + by }
    case 'note':
      return { ...s, notes: s.notes + by }
    case 'safety': {
      const others = (s.safety[payload.step] ?? []).filter((e) => e !== id)
      const safety = { ...s.safety, [payload.step]: by > 0 ? [...others, id] : others }
      if (!payload.again) return { ...s, safety }
      const until = (s.untilLive ?? []).filter((e) => e !== id)
      return { ...s, safety, untilLive: by > 0 ? [...until, id] : until }
    }
    case 'action':
      return payload.action.verb === 'repair' ? { ...s, repairs: s.repairs + by } : s
    default:
      return s
  }
}

/** Entries further apart than this are of two visits: nobody knows what the machine has been through, ms. */
const ANOTHER_DAY = 8 * 3600e3

/** A job as it stands at a moment: what was made safe on another day is safe no more. */
export function standingAt<S extends Pick<JobStanding, 'safety' | 'lastAt'>>(job: S, at: string): S {
  const away = job.lastAt === undefined ? 0 : Date.parse(at) - Date.parse(job.lastAt)
  return away > ANOTHER_DAY ? { ...job, safety: {} } : job
}

/** The sequence before which a confirmation has been taken back. */
const takenBackAt = ({ reopenedSeq = 0, liveSeq = 0 }: JobStanding, again: true | undefined): number =>
  again ? Math.max(reopenedSeq, liveSeq) : reopenedSeq

/** Power is on the machine: proved dead it is no more. */
function goneLive(s: JobStanding, seq: number): JobStanding {
  const taken = s.untilLive ?? []
  const safety = Object.fromEntries(
    Object.entries(s.safety).map(([step, ids]) => [step, ids.filter((id) => !taken.includes(id))]),
  )
  return { ...s, safety, untilLive: [], liveSeq: seq }
}

/** Takes an entry back, or brings back what a retraction had taken. */
function retract(s: JobStanding, seq: number, target: ReturnType<Find>, find: Find): JobStanding {
  if (!target || s.gone.includes(target.id) || !isRetractable(target.payload)) return s
  const next = { ...s, gone: [...s.gone, target.id] }
  // What comes later finds itself gone already.
  if (target.seq > seq) return next
  if (target.payload.type !== 'retracted') return count(next, target.id, target.payload, -1)
  const back = find(target.payload.event)
  if (!back || !next.gone.includes(back.id)) return next
  const restored = { ...next, gone: next.gone.filter((id) => id !== back.id) }
  // Undoing gives no permission back that a reopening has taken.
  if (back.payload.type === 'safety' && back.seq < takenBackAt(s, back.payload.again)) return restored
  return back.seq <= seq ? count(restored, back.id, back.payload, 1) : restored
}

/**
 * The state of a job after one more event; the whole fold is this, in the order of `seq`. Pure: the given state is
 * not changed.
 *
 * @param find an event of the same job by its id; asked only for what a retraction names
 */
export function apply(s: JobStanding, e: SequencedEvent, find: Find): JobStanding {
  const { payload } = e
  const lastAt = s.lastAt !== undefined && s.lastAt > e.at ? s.lastAt : e.at
  const rested = standingAt(s, e.at) !== s
  const next: JobStanding = {
    ...s,
    ...(rested ? { safety: {}, untilLive: [], reopenedSeq: e.seq } : {}),
    seq: e.seq,
    by: e.by,
    lastAt,
  }
  if (s.gone.includes(e.id)) return next
  switch (payload.type) {
    case 'opened':
      return {
        ...next,
        unit: payload.unit,
        revision: payload.revision,
        words: payload.words,
        complaints: [...payload.complaints],
        ...(payload.circumstances?.length ? { circumstances: [...payload.circumstances] } : {}),
      }
    case 'retracted':
      return retract(next, e.seq, find(payload.event), find)
    case 'action': {
      const { verb, target } = payload.action
      if (verb === 'jumper' && target !== undefined && !s.bypasses.includes(target))
        return { ...next, bypasses: [...s.bypasses, target] }
      if (verb === 'unjumper') return { ...next, bypasses: s.bypasses.filter((p) => p !== target) }
      const counted = count(next, e.id, payload, 1)
      return verb === 'restore' || verb === 'start' ? goneLive(counted, e.seq) : counted
    }
    case 'reading': {
      const counted = count(next, e.id, payload, 1)
      return payload.live ? goneLive(counted, e.seq) : counted
    }
    case 'test-strategy':
      return { ...next, strategy: payload.strategy }
    case 'acceptance':
      return { ...next, acceptance: payload.acceptance }
    case 'closed':
      return {
        ...next,
        closed: { event: e.id, seq: e.seq, repair: payload.repair, text: payload.text, at: e.at, by: e.by },
      }
    case 'reopened':
      // Who comes back to a machine makes it safe anew.
      return { ...next, closed: undefined, safety: {}, untilLive: [], reopenedSeq: e.seq }
    default:
      return count(next, e.id, payload, 1)
  }
}
