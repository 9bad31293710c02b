import { createHash, randomBytes } from 'node:crypto'
import type { z } from 'zod'
import type { Outlook } from '../../../core/advice'
import type { SequencedEvent } from '../../../core/job'
import {
  beginOfDay,
  dayAfter,
  daysOf,
  descaleEvery,
  dueOn,
  localOf,
  momentOf,
  visitLength,
} from '../../../core/schedule'
import type * as contracts from '../../../shared/contracts/schedule'
import type { Person } from '../../../shared/contracts/session'
import type { SheetFile } from '../../database/models'
import { now } from '../../platform/clock'
import { inTransaction } from '../../platform/database'
import { apiError, notFound } from '../../platform/errors'
import { inTime } from '../../platform/in-time'
import { allEvents, readJob } from '../jobs/service'
import { factsOfRevision, readRevision } from '../sheets/service'
import { unitOf } from '../units/service'
import { calendarOf } from './calendar'
import * as rows from './repository'
import * as waiting from './waiting-repository'

/** All that an outlook is reckoned from. */
export interface OutlookOrder {
  revision: string
  files: SheetFile[]
  events: SequencedEvent[]
}
/** Reckons an outlook where nothing waits for it. */
type ReckonOutlook = (order: OutlookOrder) => Promise<Outlook>
let reckon: ReckonOutlook | undefined
/** Says at start by whom outlooks are reckoned: a worker thread. */
export const reckonOutlooksBy = (by: ReckonOutlook): void => void (reckon = by)

/** Care stands among what is to be placed from so many days before it is due. */
const CARE_AHEAD = 21
/** What is looked at again is noted so many days before. */
const NOTED_AHEAD = 3
/** A calendar shows so many days back and ahead. */
const SHOWN_BACK = 31
const SHOWN_AHEAD = 366

/** The moment of a day's time in the organisation's zone; what no clock there shows is said. */
function momentIn({ timeZone }: Pick<Person, 'timeZone'>, day: string, minute: number): Date {
  const at = momentOf({ day, minute }, timeZone)
  if (typeof at === 'string') throw apiError(422, at, day)
  return new Date(at)
}
/** The first moment of a day there; one that no calendar has is said. */
function beginOf({ timeZone }: Pick<Person, 'timeZone'>, day: string): Date {
  const at = beginOfDay(day, timeZone)
  if (typeof at === 'string') throw apiError(422, at, day)
  return new Date(at)
}
const todayOf = ({ timeZone }: Pick<Person, 'timeZone'>): string => localOf(now().getTime(), timeZone).day

function toVisit({ timeZone }: Pick<Person, 'timeZone'>, row: rows.VisitRow): contracts.Visit {
  const { day, minute } = localOf(row.starts_at.getTime(), timeZone)
  const { id, job, person, minutes, reason, about, note, ended, version } = row
  const unit = { id: row.unit, title: row.title, customer: row.customer, place: row.place }
  return {
    id,
    unit,
    job,
    carePlan: row.care_plan,
    person,
    day,
    start: minute,
    minutes,
    reason,
    about,
    note,
    ended,
    version,
  }
}

export async function listVisits(
  who: Person,
  { from = todayOf(who), days, mine }: { from?: string | undefined; days: number; mine?: 'true' | undefined },
) {
  const span = {
    organisation: who.organisation,
    from: beginOf(who, from),
    until: beginOf(who, dayAfter(from, days)),
    person: mine ? who.id : undefined,
  }
  const [work, visits] = await Promise.all([rows.workOf(who.organisation), rows.visitsIn(span)])
  return { from, today: todayOf(who), work, visits: visits.map((v) => toVisit(who, v)) }
}

/** What asks for a visit and has none. */
export async function toPlace(who: Person) {
  const today = todayOf(who)
  const [jobs, care] = await Promise.all([
    waiting.jobsToPlace(who.organisation, dayAfter(today, CARE_AHEAD)),
    rows.careToPlace(who.organisation, dayAfter(today, CARE_AHEAD)),
  ])
  const unit = (r: { unit: string; title: string; customer: string; place: string }) => ({
    id: r.unit,
    title: r.title,
    customer: r.customer,
    place: r.place,
  })
  return {
    jobs: jobs.map((r) => ({
      job: r.job,
      unit: unit(r),
      about: r.about,
      reason: r.awaits === null ? ('call' as const) : ('return' as const),
      until: r.until,
      awaits: r.awaits ?? '',
      come: r.come,
      minutes: r.minutes === null ? null : visitLength(r.minutes),
    })),
    care: care.map((r) => ({
      plan: r.id,
      unit: unit(r),
      about: r.about,
      due: dueOn({ lastDone: r.last_done ?? undefined, everyDays: r.every_days }, today),
      minutes: r.minutes,
    })),
  }
}

/** What is not to be forgotten today: parts that have come, machines to be looked at again, runs that go on. */
export async function notesForToday(who: Person) {
  const { organisation } = who
  const [came, again, running] = await Promise.all([
    waiting.jobsWhosePartsCame(organisation),
    waiting.followUps(organisation, dayAfter(todayOf(who), NOTED_AHEAD)),
    waiting.runningRuns(organisation, who.id),
  ])
  return {
    came: came.map((c) => c.job),
    followUps: again,
    running: running.map(({ on, ...r }) => ({ ...r, since: new Date(on).toISOString() })),
  }
}

/** Places a visit or changes one. Where it was for care, care that was taken is noted with it. */
export async function putVisit(who: Person, id: string, visit: contracts.VisitFields) {
  const { day, start, ...fields } = visit
  const startsAt = momentIn(who, day, start)
  return inTransaction(async (transaction) => {
    if (!(await rows.writeVisit(who, id, { ...fields, startsAt }, transaction))) {
      const there = await rows.findVisit(who.organisation, id, transaction)
      if (there && there.version !== visit.version) throw apiError(409, 'visit-changed')
      throw notFound('machine, job or person')
    }
    if (visit.carePlan && visit.ended === 'done') await rows.careDone(visit.carePlan, day, transaction)
    return { visit: toVisit(who, (await rows.findVisit(who.organisation, id, transaction))!) }
  })
}

/** Outlooks that are being reckoned, by job and sequence; more than so many are begun another time. */
const underWay = new Map<string, Promise<Outlook>>()
const MOST_UNDER_WAY = 24
/** So long is waited for one, ms; whoever asks again finds it, or goes on waiting. */
const WORTH_WAITING = 10_000
/** s */
const COME_BACK = 5
const stillReckoned = () => apiError(429, 'still-reckoned', undefined, undefined, COME_BACK)

/** Reckons an outlook and keeps it, once for all who ask meanwhile. */
function reckonOnce(job: string, seq: number, revision: string): Promise<Outlook> {
  const key = `${job} ${seq}`
  let own = underWay.get(key)
  if (!own) {
    if (!reckon) throw apiError(503, 'sheet-not-ready')
    if (underWay.size >= MOST_UNDER_WAY) throw stillReckoned()
    const by = reckon
    own = (async () => {
      const [events, { files }] = await Promise.all([allEvents(job, seq), readRevision(revision)])
      const outlook = await by({ revision, files, events })
      await rows.keepOutlook(job, seq, outlook)
      return outlook
    })().finally(() => underWay.delete(key))
    underWay.set(key, own)
  }
  return own
}

/**
 * What the engine expects of a job as it stands; kept, so that the same job is reckoned once.
 *
 * @throws 429 while it is being reckoned and that takes long
 */
export async function outlookOf(who: Person, job: string): Promise<Outlook & { length: number }> {
  const { seq, revision } = await readJob(who, job, 2 ** 31 - 1)
  const kept = await rows.keptOutlook(job, seq)
  const own = kept ?? (await inTime(WORTH_WAITING, reckonOnce(job, seq, revision), stillReckoned))
  return { ...own, length: visitLength(own.minutes) }
}

const planOf = (today: string, row: rows.CareRow): contracts.CarePlan => ({
  id: row.id,
  title: row.about,
  everyDays: row.every_days,
  minutes: row.minutes,
  lastDone: row.last_done,
  water: row.water,
  due: dueOn({ lastDone: row.last_done ?? undefined, everyDays: row.every_days }, today),
  retired: row.retired_at !== null,
})

/** What is done again and again at a machine, and what its sheet says of that. */
export async function careOf(who: Person, unit: string) {
  const { revision } = await unitOf(who, unit)
  const today = todayOf(who)
  const [plans, facts] = await Promise.all([
    rows.careOf(who.organisation, unit),
    revision ? factsOfRevision(revision) : undefined,
  ])
  return {
    today,
    plans: plans.map((p) => planOf(today, p)),
    sheet: (facts?.care ?? []).map((c) => ({ ...c, days: daysOf(c.every) ?? null })),
  }
}

type CareBody = z.infer<(typeof contracts.putCare)['body']>

/** Writes a plan of care; where it follows from the water, its days do. */
export async function putCare(who: Person, id: string, { everyDays, water, ...body }: CareBody) {
  const days = everyDays ?? (water ? descaleEvery(water.hardness, water.litres, water.lime) : undefined)
  if (days === undefined) throw apiError(422, 'no-interval')
  if (body.lastDone !== null) beginOf(who, body.lastDone)
  return inTransaction(async (transaction) => {
    if (!(await rows.writeCare(who.organisation, id, { ...body, water, everyDays: days }, transaction)))
      throw notFound('machine')
    return { plan: planOf(todayOf(who), (await rows.findCare(who.organisation, id, transaction))!) }
  })
}

const hashSecret = (secret: string): Buffer => createHash('sha256').update(secret).digest()

export const calendarLink = async ({ id }: Person) => ({
  since: (await rows.calendarSince(id))?.toISOString() ?? null,
})
/** Only the hash of the secret is kept: it is shown once. */
export async function makeCalendarLink({ id }: Person) {
  const secret = randomBytes(32).toString('base64url')
  const since = await rows.writeCalendarSecret(id, hashSecret(secret))
  return { path: `/api/calendar/${secret}.ics`, since: since.toISOString() }
}
export async function revokeCalendarLink({ id }: Person) {
  await rows.deleteCalendarSecret(id)
  return { since: null }
}

const DAY = 86_400_000
async function calendarFor({ id, name, organisation }: Pick<Person, 'id' | 'name' | 'organisation'>) {
  const at = now().getTime()
  const span = {
    organisation,
    person: id,
    from: new Date(at - SHOWN_BACK * DAY),
    until: new Date(at + SHOWN_AHEAD * DAY),
  }
  return calendarOf(name, await rows.visitsIn(span, { cancelled: true }))
}
/** The calendar behind a secret; one that was revoked reads as one that never was. */
export async function calendarBehind(file: string): Promise<Uint8Array<ArrayBuffer>> {
  const person = await rows.personOfCalendar(hashSecret(file.replace(/\.ics$/, '')))
  if (!person) throw notFound('calendar')
  return new Uint8Array(await calendarFor(person))
}
export const myVisitsFile = async (who: Person): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await calendarFor(who))
