import { apply, emptyStanding } from '../../../core/job'
import { MOST_SHOWN } from '../../../shared/contracts/jobs'
import { factsOfJob, writeJobWords } from './words'
import { eventsAfter, unfoldedJobs, writeStanding } from './repository'

/**
 * Folds the jobs whose state was never kept, from their events. Run after a migration, before the server starts.
 *
 * @returns how many were folded
 */
export async function refoldJobs(): Promise<number> {
  const jobs = await unfoldedJobs()
  for (const job of jobs) {
    const events = []
    for (let after = 0; ; after = events.at(-1)!.seq) {
      const page = await eventsAfter(job.id, after, MOST_SHOWN)
      events.push(...page)
      if (page.length < MOST_SHOWN) break
    }
    const byId = new Map(events.map((e) => [e.id, e]))
    const standing = events.reduce((s, e) => apply(s, e, (id) => byId.get(id)), emptyStanding)
    await writeStanding(job.id, standing)
    await writeJobWords(job.id, standing, await factsOfJob(job))
  }
  return jobs.length
}
