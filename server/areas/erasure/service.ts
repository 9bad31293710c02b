import { v7 as uuidv7 } from 'uuid'
import type { Transaction } from 'sequelize'
import type { Person } from '../../../shared/contracts/session'
import { now } from '../../platform/clock'
import { inTransaction } from '../../platform/database'
import { apiError, notFound } from '../../platform/errors'
import { refoldJob } from '../jobs/service'
import { announceErased } from '../news/service'
import { endSessions, findPersonById } from '../session/service'
import * as rows from './repository'

/** Jobs whose papers are erased in one go, so that nobody waits for it. */
const AT_A_TIME = 50
/** Erasures that a list shows, and that a device asks for at a time. */
const MOST_SHOWN = 1000
/** What was written at the same moment elsewhere may come a little later, ms. */
const OVERLAP = 5 * 60_000

export { papersDue } from './repository'

/** What is kept of a customer, counted. */
export async function heldOfCustomer(who: Person, customer: string) {
  const held = await rows.heldOfCustomer(who.organisation, customer)
  if (!held) throw notFound('customer')
  return held
}

async function withoutPapers(jobs: readonly rows.ErasedJob[], transaction: Transaction): Promise<void> {
  for (const job of jobs) {
    await rows.erasePapers(job.id, transaction)
    await refoldJob(job, transaction)
  }
}
const idsOf = (jobs: readonly { id: string }[]) => jobs.map((j) => j.id)

/**
 * Erases who a customer is and what was said, signed and photographed at their machines. What was measured and found stays, and names nobody.
 *
 * @throws 409 while a job is open or a visit is planned
 */
export async function eraseCustomer(who: Person, customer: string) {
  const jobs = await inTransaction(async (transaction) => {
    const jobs = await rows.jobsOfCustomer(who.organisation, customer, transaction)
    const held = await rows.heldOfCustomer(who.organisation, customer, transaction)
    if (!held) throw notFound('customer')
    if (held.open || held.planned) throw apiError(409, 'still-open')
    const words = await rows.wordsOfCustomer(customer, transaction)
    await rows.eraseNames(customer, transaction)
    await withoutPapers(jobs, transaction)
    await rows.forgetWords(who.organisation, words, transaction)
    await keepErasure(who, 'customer', jobs, transaction)
    return jobs
  })
  await announceErased(who.organisation)
  return { jobs: jobs.length }
}

const keepErasure = (
  who: Person,
  what: 'customer' | 'person',
  jobs: readonly rows.ErasedJob[],
  transaction: Transaction,
) =>
  rows.insertErasure({ id: uuidv7(), organisation: who.organisation, what, jobs: idsOf(jobs), by: who.id }, transaction)

/** Erases who somebody was that worked here; their entries stay, under a name that says nothing. */
export async function erasePerson(who: Person, person: string) {
  const known = await findPersonById(person)
  if (known?.organisation !== who.organisation) throw notFound('person')
  if (person === who.id) throw apiError(409, 'own-data')
  const { jobs, ended } = await inTransaction(async (transaction) => {
    if (await rows.hasLeft(person, transaction)) throw apiError(409, 'erased-already')
    if (await rows.plannedOf(person, transaction)) throw apiError(409, 'still-planned')
    const jobs = await rows.jobsOfPerson(who.organisation, person, transaction)
    const ended = await rows.erasePersonRow(who.organisation, person, transaction)
    for (const job of jobs) await refoldJob(job, transaction)
    await rows.dropReports(idsOf(jobs), transaction)
    await keepErasure(who, 'person', jobs, transaction)
    return { jobs, ended }
  })
  await endSessions(ended)
  await announceErased(who.organisation)
  return { jobs: jobs.length }
}

/**
 * Erases the papers of jobs that have been kept as long as their organisation says, some at a time.
 *
 * @returns how many
 */
export async function eraseOldPapers(): Promise<number> {
  const jobs = await inTransaction(async (transaction) => {
    const jobs = await rows.jobsPastKeeping(AT_A_TIME, transaction)
    for (const organisation of new Set(jobs.map((j) => j.organisation))) {
      const own = jobs.filter((j) => j.organisation === organisation)
      const words = await rows.wordsOfJobs(idsOf(own), transaction)
      await withoutPapers(own, transaction)
      await rows.forgetWords(organisation, words, transaction)
      await rows.insertErasure({ id: uuidv7(), organisation, what: 'papers', jobs: idsOf(own), by: null }, transaction)
    }
    return jobs
  })
  for (const organisation of new Set(jobs.map((j) => j.organisation))) await announceErased(organisation)
  return jobs.length
}

/** What was erased, for people: what, when, by whom. */
export async function listErasures(who: Person) {
  const found = await rows.erasuresSince(who.organisation, new Date(0), 'DESC', MOST_SHOWN)
  return {
    erasures: found.map((e) => ({
      id: e.id,
      what: e.what,
      jobs: e.jobs.length,
      by: e.by,
      at: e.erased_at.toISOString(),
    })),
  }
}

/** What a device must let go: jobs of which something was erased since it last asked. Where there is more, it asks again from there. */
export async function erasedSince(who: Person, after: string | undefined) {
  const asked = now()
  const since = after === undefined ? new Date(0) : new Date(new Date(after).getTime() - OVERLAP)
  const found = await rows.erasuresSince(who.organisation, since, 'ASC', MOST_SHOWN)
  const more = found.length === MOST_SHOWN
  return {
    erasures: found.map((e) => e.id),
    jobs: [...new Set(found.flatMap((e) => e.jobs))],
    until: (more ? found.at(-1)!.erased_at : asked).toISOString(),
    more,
  }
}
