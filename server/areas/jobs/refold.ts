import type { Transaction } from 'sequelize'
import { apply, emptyStanding, type JobStanding, type SequencedEvent } from '../../../core/job'
import { MOST_SHOWN } from '../../../shared/contracts/jobs'
import { eventsAfter, unfoldedJobs, writeStanding } from './repository'
import { factsOfJob, writeJobWords } from './words'

/** What a job has come to, from its events. */
async function fold(job: string, transaction?: Transaction): Promise<JobStanding> {
  const events: SequencedEvent[] = []
  for (;;) {
    const page = await eventsAfter(job, events.at(-1)?.seq ?? 0, MOST_SHOWN, transaction)
    events.push(...page)
    if (page.length < MOST_SHOWN) break
  }
  const byId = new Map(events.map((e) => [e.id, e]))
  return events.reduce((s, e) => apply(s, e, (id) => byId.get(id)), emptyStanding)
}

/** A job that is folded anew: which sheet it is on. */
interface FoldedJob {
  id: string
  sheet: string
  revision: string | null
}

/** Folds a job from its events, and writes what it is listed and looked for by. */
export async function refoldJob(job: FoldedJob, transaction?: Transaction): Promise<void> {
  const standing = await fold(job.id, transaction)
  await writeStanding(job.id, standing, transaction)
  await writeJobWords(job.id, standing, await factsOfJob(job, transaction), transaction)
}

/**
 * Folds the jobs whose state was never kept, from their events. Run after a migration, before the server starts.
 *
 * @returns how many were folded
 */
export async function refoldJobs(): Promise<number> {
  const jobs = await unfoldedJobs()
  for (const job of jobs) await refoldJob(job)
  return jobs.length
}
