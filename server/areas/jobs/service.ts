import type { Transaction } from 'sequelize'
import type { z } from 'zod'
import type { JobStanding } from '../../../core/job'
import { clockOffset, WORTH_A_WORD } from '../../../core/sync'
import { MOST_SHOWN, type listJobs as listContract } from '../../../shared/contracts/jobs'
import type { Person } from '../../../shared/contracts/session'
import { now } from '../../platform/clock'
import { apiError, notFound } from '../../platform/errors'
import { partsForRevision } from '../parts/service'
import { currentRevision, factsOfRevision } from '../sheets/service'
import { unitOf } from '../units/service'
import { appendEvents } from './append'
import { factsOfJob, writeJobWords } from './words'
import { fromCursor, toCursor, toJobRow } from './mapper'
import { findJob, listJobs, standingOf } from './list-repository'
import { closedJobs, machineYears } from './record-repository'
import { eventsAfter, lockJob } from './repository'

export { announceBrought, bringIn } from './bring-in'
export { refoldJob } from './refold'

/** Jobs on one page of the list. */
const PAGE = 50

/** Closed jobs that a record goes back. */
const MOST_REMEMBERED = 300

type Query = z.infer<(typeof listContract)['query']>

/** A page of the jobs of an organisation, last touched first. */
export async function pageOfJobs(who: Person, { q, state, mine, unit, cursor }: Query) {
  const after = cursor === undefined ? undefined : fromCursor(cursor)
  if (cursor !== undefined && !after) throw apiError(400, 'wrong-shape')
  const rows = await listJobs({
    organisation: who.organisation,
    words: (q ?? '').split(/\s+/).filter(Boolean).slice(0, 8),
    state,
    person: mine ? who.id : undefined,
    unit,
    after,
    most: PAGE + 1,
  })
  const shown = rows.slice(0, PAGE)
  return { jobs: shown.map(toJobRow), next: rows.length > PAGE ? toCursor(shown.at(-1)!) : null }
}

/** A job with its events after a sequence; another organisation's job does not exist for this one. */
export async function readJob(who: Person, id: string, after = 0) {
  const job = await findJob(id, who.organisation)
  if (!job) throw notFound('job')
  const revision = job.revision ?? (await currentRevision(job.sheet))
  if (revision === undefined) throw apiError(503, 'sheet-not-ready')
  return {
    id: job.id,
    unit: { id: job.unit, title: job.title, customer: job.customer, place: job.place },
    revision,
    seq: job.seq,
    events: await eventsAfter(id, after, MOST_SHOWN),
  }
}

/** What the organisation has of what the repairs of a job's sheet need. */
export async function partsForJob(who: Person, id: string) {
  const job = await findJob(id, who.organisation)
  if (!job) throw notFound('job')
  const revision = job.revision ?? (await currentRevision(job.sheet))
  if (revision === undefined) throw apiError(503, 'sheet-not-ready')
  return partsForRevision(who, revision)
}

/** What an open job has on order, by title and number; empty where it waits for no part. */
export async function awaitedParts(who: Person, id: string) {
  const standing = await standingOf(id, who.organisation)
  if (!standing) throw notFound('job')
  const { awaits, closed } = standing
  return closed || awaits?.what !== 'part' ? [] : (awaits.parts ?? [])
}

/**
 * What the organisation had seen of machines of a job's sheet when the job came: what its advice may build on, the same whenever
 * it is asked for.
 */
export async function readShopRecord(who: Person, id: string) {
  const job = await findJob(id, who.organisation)
  if (!job) throw notFound('job')
  const revision = job.revision ?? (await currentRevision(job.sheet))
  if (revision === undefined) throw apiError(503, 'sheet-not-ready')
  return recordUntil(who, job.sheet, revision, job.created_at)
}

/** What it has seen up to now of machines like a unit of its own. */
export async function readShopRecordNow(who: Person, unit: string) {
  const { sheet, revision } = await unitOf(who, unit)
  if (!revision) throw apiError(503, 'sheet-not-ready')
  return recordUntil(who, sheet, revision, now())
}

async function recordUntil({ organisation }: Person, sheet: string, revision: string, until: Date) {
  const { tests } = await factsOfRevision(revision)
  const ohms = Object.entries(tests).filter(([, t]) => t.shape.type === 'number' && t.shape.dimension === 'resistance')
  const asked = { organisation, sheet, until }
  const names = ohms.map(([test]) => test)
  const [years, jobs] = await Promise.all([machineYears(asked), closedJobs(asked, names, MOST_REMEMBERED)])
  return { machineYears: years, jobs }
}

/** Appends what a device sends. @returns what became of each event, and what the device's clock is off by */
export async function appendToJob(who: Person, id: string, events: readonly unknown[], sentAt: string | undefined) {
  const received = now()
  const offset = sentAt === undefined ? 0 : clockOffset(sentAt, received)
  const results = await appendEvents(who, id, events, offset, received)
  return { results, clockOffset: Math.abs(offset) > WORTH_A_WORD ? offset : 0 }
}

/** @throws 404 where the organisation has no such job */
export async function refuseUnknownJob(who: Person, id: string): Promise<void> {
  if (!(await findJob(id, who.organisation))) throw notFound('job')
}

/** Writes anew what a job is listed and looked for by, from what it has come to. */
export async function relistJob(
  organisation: string,
  id: string,
  standing: JobStanding,
  transaction: Transaction,
): Promise<void> {
  const job = await lockJob(id, organisation, transaction)
  if (job) await writeJobWords(id, standing, await factsOfJob(job, transaction), transaction)
}

/** Every event of a job up to a sequence, for whoever may see it. */
export async function allEvents(job: string, upTo: number) {
  const events: Awaited<ReturnType<typeof eventsAfter>> = []
  for (;;) {
    const page = await eventsAfter(job, events.at(-1)?.seq ?? 0, MOST_SHOWN)
    events.push(...page.filter((e) => e.seq <= upTo))
    if (page.length < MOST_SHOWN || page.at(-1)!.seq >= upTo) return events
  }
}
