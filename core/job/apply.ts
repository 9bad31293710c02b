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
  /** Sequence of the last reopening: what was made safe before it is made safe no more. */
  reopenedSeq?: number
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
      return { ...s, safety: { ...s.safety, [payload.step]: by > 0 ? [...others, id] : others } }
    }
    case 'action':
      return payload.action.verb === 'repair' ? { ...s, repairs: s.repairs + by } : s
    default:
      return s
  }
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
  if (back.payload.type === 'safety' && back.seq < (s.reopenedSeq ?? 0)) return restored
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
  const next: JobStanding = { ...s, seq: e.seq, by: e.by }
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
      return count(next, e.id, payload, 1)
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
      return { ...next, closed: undefined, safety: {}, reopenedSeq: e.seq }
    default:
      return count(next, e.id, payload, 1)
  }
}
