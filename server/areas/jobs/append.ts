import { isDeepStrictEqual } from 'node:util'
import type { Transaction } from 'sequelize'
import {
  apply,
  emptyStanding,
  jobEventSchema,
  refuses,
  stamped,
  type JobEvent,
  type JobStanding,
  type Payload,
  type Refusal,
  type SequencedEvent,
  type SheetFacts,
} from '../../../core/job'
import { boundedMoment, type EventResult } from '../../../core/sync'
import { describeRefusal } from '../../../core/words'
import type { Person } from '../../../shared/contracts/session'
import { apiError, notFound } from '../../platform/errors'
import { gather } from './gather'
import { announceJob } from '../news/service'
import { bookUsed, type UsedPart } from '../parts/service'
import { missingPhotos } from '../photos/service'
import { currentRevision, factsOfRevision } from '../sheets/service'
import { partsOf } from './used-parts'
import { factsOfJob, writeJobWords } from './words'
import { findUnitSheet } from '../units/service'
import { inTransaction } from '../../platform/database'
import { inTurn } from '../../platform/in-turn'
import { putInQueue } from '../../platform/queue'
import { EXPECTED_QUEUE } from '../../platform/queue-names'
import { findEvents, insertJob, lockJob, readForAppend, writeEvents, type JobWrite, type LockedJob } from './repository'

/** Largest single event, characters of JSON. */
const LARGEST_EVENT = 16_000

const refused = (id: string, refusal: Refusal): EventResult => ({
  id,
  status: 'refused',
  code: refusal.code,
  message: describeRefusal(refusal),
})

type Parsed = { event: JobEvent } | { result: EventResult }

/** Each event by itself: one that cannot be understood does not hold up the others. */
function parseEvent(raw: unknown): Parsed {
  const parsed = jobEventSchema.safeParse(raw)
  if (parsed.success && JSON.stringify(raw).length <= LARGEST_EVENT) return { event: parsed.data }
  const { id } = (typeof raw === 'object' && raw !== null ? raw : {}) as { id?: unknown }
  const named = typeof id === 'string' ? id.slice(0, 80) : ''
  return { result: refused(named, { code: parsed.success ? 'too-large' : 'wrong-shape' }) }
}

// Everything inside the transaction goes over its own connection: a second one, while all are taken, never comes.

/** Which revision of which sheet a job is on, and what is wrong where it cannot be opened. */
async function openJob(
  who: Person,
  job: string,
  event: JobEvent,
  received: Date,
  transaction: Transaction,
): Promise<LockedJob | Refusal> {
  if (event.payload.type !== 'opened') return { code: 'not-opened' }
  const unit = await findUnitSheet(who, event.payload.unit, transaction)
  if (!unit) return { code: 'unknown-unit' }
  const revision = event.payload.revision ?? (await currentRevision(unit.sheet, transaction))
  const known =
    revision !== undefined &&
    (await factsOfRevision(revision, transaction)
      .then(() => true)
      .catch(() => false))
  if (!known) return { code: 'unknown-revision' }
  await insertJob(
    { id: job, organisation: who.organisation, unit: unit.id, revision, openedBy: who.id, at: received },
    transaction,
  )
  return (await lockJob(job, who.organisation, transaction)) ?? { code: 'id-taken' }
}

/** One run over the events of a request, against a job that is locked. */
class Append {
  readonly results: EventResult[] = []
  readonly fresh: (SequencedEvent & { shownAt: Date })[] = []
  private readonly byId = new Map<string, SequencedEvent>()
  private readonly elsewhere = new Set<string>()
  /** Parts that are booked out, or back. */
  readonly parts: UsedPart[] = []
  standing: JobStanding

  constructor(
    private readonly who: Person,
    private readonly job: LockedJob,
    private readonly facts: SheetFacts,
    known: readonly { job: string; event: SequencedEvent }[],
    private readonly shown: (at: string) => Date,
    /** Photos that are named and have not arrived. */
    private readonly missing: ReadonlySet<string> = new Set(),
  ) {
    if (job.seq > 0 && !job.standing) throw apiError(503, 'job-not-ready')
    this.standing = job.standing ?? emptyStanding
    for (const k of known) {
      if (k.job === job.id) this.byId.set(k.event.id, k.event)
      else this.elsewhere.add(k.event.id)
    }
  }

  take(sent: JobEvent): void {
    const event = stamped(sent, this.facts)
    const { id } = event
    const there = this.byId.get(id)
    if (there) {
      const same = isDeepStrictEqual(stamped(there, this.facts).payload, JSON.parse(JSON.stringify(event.payload)))
      this.results.push(same ? { id, status: 'duplicate', seq: there.seq } : refused(id, { code: 'id-taken' }))
      return
    }
    const shownAt = this.shown(event.at)
    const dated = { ...event, at: shownAt.toISOString() }
    const refusal = this.elsewhere.has(id) ? { code: 'id-taken' as const } : this.judge(dated)
    if (refusal) {
      this.results.push(refused(id, refusal))
      return
    }
    const kept = { ...dated, seq: this.standing.seq + 1, by: this.who.name, shownAt }
    // A device cannot have seen what is not there yet.
    kept.baseSeq = Math.min(kept.baseSeq, this.job.seq + this.fresh.length)
    this.byId.set(id, kept)
    const before = new Set(this.standing.gone)
    this.standing = apply(this.standing, kept, (other) => this.byId.get(other))
    const gone = { before, after: new Set(this.standing.gone) }
    this.parts.push(...partsOf(kept, gone, (event) => this.byId.get(event)))
    this.fresh.push(kept)
    this.results.push({ id, status: 'accepted', seq: kept.seq })
  }

  /** What is to be written of it. */
  writeOf(received: Date): JobWrite {
    const { job, who, fresh, standing } = this
    return { job: job.id, after: job.seq, person: who.id, events: fresh, standing, received }
  }

  private judge(event: JobEvent): Refusal | undefined {
    const { payload } = event
    if (payload.type === 'opened' && payload.unit !== this.job.unit) return { code: 'unknown-unit' }
    const photo = photoIn(payload)
    if (photo !== undefined && this.missing.has(photo)) return { code: 'photo-missing' }
    const target = payload.type === 'retracted' ? this.byId.get(payload.event) : undefined
    return refuses(this.standing, event, this.facts, this.who.role, target, this.who.name)
  }
}

/** What became of a job's events: judged against it, or none of them could be. */
export type Outcome = { append: Append } | { refusal: Refusal }

/** Tries without a lock before everybody else waits; a job with many writers is rare. */
const TRIES_WITHOUT_LOCK = 2
/** Pieces of shared work at a time: enough to keep the database busy, few enough that calls gather. */
const UNDER_WAY = 2

const readTogether = gather(readForAppend, UNDER_WAY)
/** One event that the table refuses must not take those of other jobs with it: then each is written by itself. */
const writeTogether = gather(async (writes: JobWrite[]): Promise<boolean[]> => {
  // Two requests for one job cannot both follow the same sequence: the second tries again.
  const first = writes.filter((w, i) => writes.findIndex((o) => o.job === w.job) === i)
  const written = await writeEvents(first).catch(async (error: unknown) => {
    if (first.length === 1) throw error
    const each = await Promise.all(first.map((w) => writeEvents([w]).catch(() => new Set<string>())))
    return new Set(each.flatMap((e) => [...e]))
  })
  return writes.map((w) => first.includes(w) && written.has(w.job))
}, UNDER_WAY)

/** The photo that an entry rests on: the server has it before it takes the entry. */
const photoIn = (payload: Payload): string | undefined =>
  payload.type === 'photo' || payload.type === 'left-unsafe' ? payload.photo : undefined

/** What is judged against more than the job as it stands, or changes more than its row. */
const NOT_PLAIN: ReadonlySet<Payload['type']> = new Set([
  'opened',
  'said',
  'retracted',
  'photo',
  'left-unsafe',
  'used',
  'closed',
  'reopened',
])

/** Events that change no more than the job's own row: judged on what is read, and written where nobody wrote meanwhile. */
async function appendPlain(
  who: Person,
  jobId: string,
  events: readonly JobEvent[],
  shown: (at: string) => Date,
  received: Date,
): Promise<Append | undefined> {
  if (events.some((e) => NOT_PLAIN.has(e.payload.type))) return undefined
  for (let i = 0; i < TRIES_WITHOUT_LOCK; i++) {
    const found = await readTogether({ id: jobId, organisation: who.organisation, events: events.map((e) => e.id) })
    if (!found?.job.standing) return undefined
    const append = new Append(who, found.job, await factsOfJob(found.job), found.known, shown)
    for (const event of events) append.take(event)
    if (!append.fresh.length) return append
    if (await writeTogether(append.writeOf(received))) return append
  }
  return undefined
}

/** Everything else, and whatever others kept getting in front of: under the row lock of the job. */
export async function appendLocked(
  who: Person,
  jobId: string,
  events: readonly JobEvent[],
  shown: (at: string) => Date,
  received: Date,
  transaction: Transaction,
): Promise<Outcome> {
  const job =
    (await lockJob(jobId, who.organisation, transaction)) ??
    (await openJob(who, jobId, events[0]!, received, transaction))
  // Another organisation's job does not exist for this one; nothing is refused for good that never had a job.
  if ('code' in job) {
    if (job.code === 'not-opened') throw notFound('job')
    return { refusal: job }
  }
  const facts = await factsOfJob(job, transaction)
  const named = events.flatMap((e) => (e.payload.type === 'retracted' ? [e.payload.event] : []))
  const known = await findEvents([...new Set([...events.map((e) => e.id), ...named])], transaction)
  const photos = events.flatMap((e) => photoIn(e.payload) ?? [])
  const absent = await missingPhotos(who, photos, transaction)
  const append = new Append(who, job, facts, known, shown, absent)
  for (const event of events) append.take(event)
  if (append.fresh.length) {
    await writeEvents([append.writeOf(received)], transaction)
    await bookUsed(who, jobId, append.parts, transaction)
    if (append.fresh.some((e) => ['opened', 'said', 'closed', 'reopened'].includes(e.payload.type))) {
      await writeJobWords(jobId, append.standing, facts, transaction)
    }
  }
  return { append }
}

/**
 * Appends events to a job, each once, in the order sent. What the guard lets through gets the next sequence;
 * everything else gets its reason. The sequence has no gap, and no two senders write over each other.
 *
 * @param offset what the device's clock is off by, ms
 */
export async function appendEvents(
  who: Person,
  jobId: string,
  raw: readonly unknown[],
  offset: number,
  received: Date,
): Promise<EventResult[]> {
  const parsed = raw.map(parseEvent)
  const events = parsed.flatMap((p) => ('event' in p ? [p.event] : []))
  if (!events.length) return parsed.flatMap((p) => ('result' in p ? [p.result] : []))
  const shown = (at: string) => boundedMoment(at, offset, received)
  const plain = await appendPlain(who, jobId, events, shown, received)
  const outcome: Outcome = plain
    ? { append: plain }
    : await inTurn(jobId, () => inTransaction((t) => appendLocked(who, jobId, events, shown, received, t)))
  const append = 'append' in outcome ? outcome.append : undefined
  if (append?.fresh.length) announceJob(who.organisation, jobId, append.standing.seq)
  // What nobody reckons now may be reckoned never: a figure less, and no entry lost.
  if (append?.fresh.some((e) => e.payload.type === 'closed'))
    void putInQueue(EXPECTED_QUEUE, { job: jobId }).catch(() => undefined)
  const judged = 'append' in outcome ? outcome.append.results : events.map((e) => refused(e.id, outcome.refusal))
  let next = 0
  return parsed.map((p) => ('result' in p ? p.result : judged[next++]!))
}
