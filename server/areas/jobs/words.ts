import type { Transaction } from 'sequelize'
import type { JobStanding, SheetFacts } from '../../../core/job'
import { apiError } from '../../platform/errors'
import { currentRevision, factsOfRevision } from '../sheets/service'
import { writeWords } from './repository'

/** The facts that judge the events of a job: those of the revision it was begun with. */
export async function factsOfJob(
  job: { revision: string | null; sheet: string },
  transaction?: Transaction,
): Promise<SheetFacts> {
  const revision = job.revision ?? (await currentRevision(job.sheet, transaction))
  if (revision === undefined) throw apiError(503, 'sheet-not-ready')
  return factsOfRevision(revision, transaction)
}

/** Complaints and repair in words, and whatever else a job is looked for by. */
function wordsOf(standing: JobStanding, facts: SheetFacts): { complaints: string[]; more: string[] } {
  const words = new Map(facts.complaints.map((c) => [c.id, c.words]))
  const repair = facts.repairs.find((r) => r.id === standing.closed?.repair)?.title
  return {
    complaints: standing.complaints.map((c) => words.get(c) ?? c),
    more: [standing.words, repair, standing.closed?.text].filter((x): x is string => !!x),
  }
}

/** Writes what a job is listed and looked for by. */
export async function writeJobWords(
  job: string,
  standing: JobStanding,
  facts: SheetFacts,
  transaction?: Transaction,
): Promise<void> {
  const { complaints, more } = wordsOf(standing, facts)
  await writeWords(job, complaints, more, transaction)
}
