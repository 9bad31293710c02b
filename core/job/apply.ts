import { isBypass, type Action } from '../evidence'
import type { Payload, SequencedEvent } from './event-schema'
import { applyOutcome, undecided, unprovenAgain, withoutProof } from './outcome'
import { LEAD_OFF, standingAt, type Confirmation, type JobStanding } from './standing'

/**
 * Whether an entry can be taken back. An action changed the machine and the opening is the job itself: neither can.
 * A repair that did not do has no other way back.
 */
export const isRetractable = (payload: Payload): boolean =>
  ['reading', 'safety', 'note', 'photo', 'label', 'marked', 'retracted'].includes(payload.type) ||
  ['ticked', 'new-part', 'used', 'condemned', 'proven', 'setting'].includes(payload.type) ||
  (payload.type === 'action' && payload.action.verb === 'repair')

/** An event of a job by its id. */
export type Find = (id: string) => Pick<SequencedEvent, 'id' | 'seq' | 'payload'> | undefined

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
    case 'proven':
      return by < 0 ? withoutProof(s, id) : s
    default:
      return s
  }
}

/** Confirmations without those that hold no more. */
function without(s: JobStanding, holds: (id: string) => boolean): JobStanding {
  const safety = Object.fromEntries(Object.entries(s.safety).map(([step, ids]) => [step, ids.filter(holds)]))
  const confirmed = Object.fromEntries(Object.entries(s.confirmed ?? {}).filter(([id]) => holds(id)))
  return { ...s, safety, confirmed, untilLive: (s.untilLive ?? []).filter(holds) }
}

/** Power is on the machine: proved dead it is no more. */
function goneLive(s: JobStanding, { seq, at, by }: SequencedEvent): JobStanding {
  const taken = new Set(s.untilLive)
  const { unsafe: _, ...rest } = s
  return { ...without(rest, (id) => !taken.has(id)), liveSeq: seq, live: { at, by } }
}

/** Hands are in the machine: whoever they belong to, and what was looked over before power went back has to be looked over anew. */
function handsWentIn(s: JobStanding, { seq, by }: SequencedEvent): JobStanding {
  const { confirmed = {} } = s
  return { ...without(s, (id) => confirmed[id]?.does !== 'gives-back'), handsIn: { ...s.handsIn, [by]: seq } }
}

/** A safety step that somebody has done. */
function confirm(s: JobStanding, e: SequencedEvent, does: Confirmation['does']): JobStanding {
  const { id, seq, at, by } = e
  const own: Confirmation = { by, at, seq, ...(does ? { does } : {}) }
  const next = { ...s, confirmed: { ...s.confirmed, [id]: own } }
  // Of shutting and opening, the one makes the other due again.
  if (does === 'shuts-water' || does === 'opens-water') {
    const other = does === 'shuts-water' ? 'opens-water' : 'shuts-water'
    const holds = (event: string) => next.confirmed[event]?.does !== other
    return { ...without(next, holds), water: { shut: does === 'shuts-water', at, by, seq } }
  }
  if (does === 'isolates' || does === 'proves-dead') return handsWentIn(next, e)
  if (does !== 'gives-back') return next
  const handsIn = Object.fromEntries(Object.entries(s.handsIn ?? {}).filter(([who]) => who !== by))
  return { ...next, handsIn }
}

/** A safety step taken back takes with it every one that was confirmed after it and so rested on it. */
function unconfirm(s: JobStanding, seq: number): JobStanding {
  const { confirmed = {} } = s
  const undone = Object.values(confirmed).find((c) => c.seq === seq)
  const handsIn = undone?.does === 'gives-back' ? { ...s.handsIn, [undone.by]: seq } : s.handsIn
  const { water, ...rest } = s
  return {
    ...without(rest, (id) => (confirmed[id]?.seq ?? 0) < seq),
    ...(water && water.seq < seq ? { water } : {}),
    ...(handsIn ? { handsIn } : {}),
  }
}

/** Takes an entry back, or brings back what a retraction had taken. */
function retract(s: JobStanding, seq: number, target: ReturnType<Find>, find: Find): JobStanding {
  if (!target || s.gone.includes(target.id) || !isRetractable(target.payload)) return s
  const next = { ...s, gone: [...s.gone, target.id] }
  // What comes later finds itself gone already.
  if (target.seq > seq) return next
  if (target.payload.type === 'safety') return unconfirm(count(next, target.id, target.payload, -1), target.seq)
  if (target.payload.type !== 'retracted') return count(next, target.id, target.payload, -1)
  const back = find(target.payload.event)
  if (!back || !next.gone.includes(back.id)) return next
  // Undoing gives no permission back.
  if (back.payload.type === 'safety') return next
  const restored = { ...next, gone: next.gone.filter((id) => id !== back.id) }
  return back.seq <= seq ? count(restored, back.id, back.payload, 1) : restored
}

/** Entries that end the waiting for a part or for somebody. */
const GOES_ON: ReadonlySet<Payload['type']> = new Set([
  'reading',
  'action',
  'decided',
  'ticked',
  'new-part',
  'used',
  'proven',
  'closed',
  'reopened',
])

/** Who comes back to a machine makes it safe anew. */
const nothingSafe = (seq: number) => ({
  safety: {},
  untilLive: [],
  confirmed: {},
  handsIn: {},
  water: undefined,
  reopenedSeq: seq,
})

/** What the customer told. */
const toldIn = ({ words, complaints, circumstances, options }: Extract<Payload, { type: 'opened' | 'said' }>) => ({
  words,
  complaints: [...complaints],
  ...(circumstances?.length ? { circumstances: [...circumstances] } : {}),
  ...(options?.length ? { options: [...options] } : {}),
})

/** How a job stands once it is closed. */
const closedBy = (
  { id: event, seq, at, by }: SequencedEvent,
  { repair, text, as }: Extract<Payload, { type: 'closed' }>,
): JobStanding['closed'] => ({ event, seq, repair, text, at, by, ...(as ? { as } : {}) })

/** What a label names is off, or back. */
function connect(s: JobStanding, payload: Extract<Payload, { type: 'disconnected' | 'reconnected' }>): JobStanding {
  const { disconnected: before = [], ...rest } = s
  const others = before.filter((d) => d.label !== payload.label)
  if (payload.type === 'reconnected') return others.length ? { ...rest, disconnected: others } : rest
  const { label, name } = payload
  return others.length < before.length ? s : { ...rest, disconnected: [...before, { label, name }] }
}

/** Tips are on for a test, or off. */
function clip(s: JobStanding, { type, test }: Extract<Payload, { type: 'clipped' | 'unclipped' }>): JobStanding {
  const { clips = [], ...rest } = s
  const others = clips.filter((c) => c !== test)
  const now = type === 'clipped' ? [...others, test] : others
  return now.length ? { ...rest, clips: now } : rest
}

/** Of what hands do, that which leaves the machine as it was proved. */
const LEAVES_PROVEN: ReadonlySet<Action['verb']> = new Set(['isolate', 'restore', 'start'])

/** What hands did to the machine. */
function act(before: JobStanding, e: SequencedEvent, payload: Extract<Payload, { type: 'action' }>): JobStanding {
  const { verb, target } = payload.action
  const s = verb === 'repair' ? undecided(before) : LEAVES_PROVEN.has(verb) ? before : unprovenAgain(before)
  const key = target !== undefined && (verb === 'lift' || verb === 'land') ? target + LEAD_OFF : target
  if (isBypass(verb) && key !== undefined && !s.bypasses.includes(key))
    return {
      ...s,
      bypasses: [...s.bypasses, key],
      ...(payload.title === undefined ? {} : { bypassTitles: { ...s.bypassTitles, [key]: payload.title } }),
    }
  if (verb === 'unjumper' || verb === 'land') return { ...s, bypasses: s.bypasses.filter((p) => p !== key) }
  const counted = count(s, e.id, payload, 1)
  return verb === 'restore' || verb === 'start' ? goneLive(counted, e) : counted
}

/** The same job one entry later, whatever it was: its number, who made it, and what time ends. */
function oneLater(s: JobStanding, e: SequencedEvent): JobStanding {
  const lastAt = s.lastAt !== undefined && s.lastAt > e.at ? s.lastAt : e.at
  const rested = standingAt(s, e.at) !== s
  const { awaits, ...rest } = s
  // Whoever goes on with it waits no more.
  const waits = awaits && !GOES_ON.has(e.payload.type) ? { awaits } : {}
  return { ...rest, ...waits, ...(rested ? nothingSafe(e.seq) : {}), seq: e.seq, by: e.by, lastAt }
}

/**
 * The state of a job after one more event; the whole fold is this, in the order of `seq`. Pure: the given state is
 * not changed.
 *
 * @param find an event of the same job by its id; asked only for what a retraction names
 */
export function apply(s: JobStanding, e: SequencedEvent, find: Find): JobStanding {
  const { payload } = e
  const next = oneLater(s, e)
  if (s.gone.includes(e.id)) return next
  switch (payload.type) {
    case 'opened':
      return {
        ...next,
        unit: payload.unit,
        revision: payload.revision,
        ...toldIn(payload),
      }
    case 'said': {
      const { circumstances: _, options: __, ...rest } = next
      return { ...rest, ...toldIn(payload) }
    }
    case 'retracted':
      return retract(next, e.seq, find(payload.event), find)
    case 'action':
      return act(next, e, payload)
    case 'reading': {
      const counted = count(next, e.id, payload, 1)
      // What was clipped on dead is read hands-off: with the power on, no hands are in it.
      if (payload.live) return goneLive(counted, e)
      return payload.hands ? unprovenAgain(handsWentIn(counted, e)) : counted
    }
    case 'safety':
      return confirm(count(next, e.id, payload, 1), e, payload.does)
    case 'test-strategy':
      return { ...next, strategy: payload.strategy }
    case 'acceptance':
      return { ...next, acceptance: payload.acceptance }
    case 'awaits': {
      const { type: _, ...waits } = payload
      return { ...next, awaits: { ...waits, at: e.at, by: e.by } }
    }
    case 'disconnected':
    case 'reconnected':
      return unprovenAgain(handsWentIn(connect(next, payload), e))
    case 'run':
      return applyOutcome(goneLive(next, e), e)
    case 'clipped':
    case 'unclipped':
      return handsWentIn(clip(next, payload), e)
    case 'closed':
      return { ...next, closed: closedBy(e, payload) }
    case 'reopened':
      return { ...undecided(next), ...nothingSafe(e.seq), closed: undefined }
    default:
      return applyOutcome(count(next, e.id, payload, 1), e)
  }
}
