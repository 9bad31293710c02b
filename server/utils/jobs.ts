import type { Transaction } from 'sequelize'
import { readEvidence } from '../../core/evidence'
import { sayProblem, type Problem } from '../../core/issue'
import { foldJob, inOrder, refuses, type Happening, type JobEvent, type Refusal } from '../../core/job'
import { Job, JobEventRow, Machine, User } from '../database/models'
import { refuse } from './refuse'
import { sheetFacts, type SheetFacts } from './sheets'
import type { SignedIn } from './who'

/** An event as it is shown: with who entered it. */
export type ShownEvent = JobEvent & { by: string }

const toEvent = (row: JobEventRow): JobEvent => ({
  id: row.id,
  v: 1,
  at: row.at.toISOString(),
  device: row.device,
  what: row.what,
})

/** A job of the asking organisation, or 404: another organisation's job does not exist for it. */
export async function jobOf(who: SignedIn, id: string): Promise<Job> {
  const job = await Job.findOne({ where: { id, organisationId: who.organisation } })
  if (!job) throw refuse(404, 'not-found', 'There is no such job.')
  return job
}

export async function eventsOf(jobId: string, transaction?: Transaction): Promise<JobEvent[]> {
  return inOrder((await JobEventRow.findAll({ where: { jobId }, transaction })).map(toEvent))
}

/** Events with the names of those who entered them. */
export async function shownEvents(jobId: string): Promise<ShownEvent[]> {
  const rows = await JobEventRow.findAll({ where: { jobId } })
  const people = new Map(
    (await User.findAll({ where: { id: [...new Set(rows.map((r) => r.userId))] } })).map((u) => [u.id, u.name]),
  )
  const by = new Map(rows.map((r) => [r.id, people.get(r.userId) ?? 'unknown']))
  return inOrder(rows.map(toEvent)).map((e) => ({ ...e, by: by.get(e.id)! }))
}

const REFUSED: Record<Refusal['why'], string> = {
  'make-safe-first': 'Make it safe first: the safety steps before this test are not all confirmed.',
  'jumper-in': 'A jumper is still in. Take it out before the job is closed.',
  closed: 'This job is closed. Reopen it to go on.',
  'not-opened': 'This job has not been opened.',
  'opened-twice': 'This job is open already.',
}

/** What is wrong with the names and readings of an event, checked against the machine and the job. */
function faultsOf(facts: SheetFacts, what: Happening, job: Job, events: readonly string[]): Problem[] | undefined {
  const unless = (known: boolean): Problem[] | undefined => (known ? undefined : [])
  const asEvidence = (written: object): Problem[] | undefined => {
    const read = readEvidence([written], facts.vocabulary)
    return read.ok ? undefined : read.problems
  }
  switch (what.is) {
    case 'reading':
      return asEvidence({ test: what.test, reading: what.text, instrument: what.instrument })
    case 'action':
      return asEvidence({ action: `${what.action.verb} ${what.action.target ?? ''}` })
    case 'opened':
      return what.machine === job.machineId
        ? what.complaints.map((complaint) => asEvidence({ complaint })).find((p) => p !== undefined)
        : []
    case 'closed':
      return unless(what.repair === '' || facts.repairs.has(what.repair))
    case 'safety':
      return unless(facts.needs.some((n) => n.id === what.step))
    case 'retracted':
      return unless(events.includes(what.event))
    default:
      return undefined
  }
}

/**
 * Appends events to a job, each once. An id that is there already changes nothing; everything else passes the
 * guard of the job or is refused as a whole.
 *
 * @returns ids now kept
 */
export async function appendEvents(
  who: SignedIn,
  job: Job,
  events: readonly JobEvent[],
  transaction: Transaction,
): Promise<string[]> {
  // Whoever appends to a job waits here for the other, so that the guard always sees the whole job.
  await Job.findByPk(job.id, { transaction, lock: true })
  const machine = await Machine.findByPk(job.machineId, { transaction })
  const facts = await sheetFacts(machine!.sheet)
  const there = await eventsOf(job.id, transaction)
  const have = new Set(there.map((e) => e.id))
  const elsewhere = await JobEventRow.findAll({
    where: { id: events.map((e) => e.id).filter((id) => !have.has(id)) },
    transaction,
  })
  if (elsewhere.length) throw refuse(409, 'id-taken', 'An event with this id belongs to another job.')
  const fresh: JobEvent[] = []
  for (const event of events) {
    if (have.has(event.id) || fresh.some((e) => e.id === event.id)) continue
    const { what } = event
    const faults = faultsOf(facts, what, job, [...have, ...fresh.map((e) => e.id)])
    if (faults)
      throw refuse(
        422,
        what.is === 'reading' && facts.schoolOf(what.test, what.instrument) ? 'bad-reading' : 'unknown-name',
        faults.length
          ? faults.map(sayProblem).join(' ')
          : 'This names something that the machine or the job does not have.',
      )
    const refusal = refuses(foldJob([...there, ...fresh]), event, facts.needs, facts.schoolOf)
    if (refusal) throw refuse(409, refusal.why, REFUSED[refusal.why])
    fresh.push(event)
  }
  await JobEventRow.bulkCreate(
    fresh.map((e) => ({
      id: e.id,
      jobId: job.id,
      userId: who.id,
      version: e.v,
      at: new Date(e.at),
      device: e.device,
      what: e.what,
    })),
    { transaction },
  )
  return events.map((e) => e.id)
}
