import type { Transaction } from 'sequelize'
import type { JobEvent } from '../../../core/job'
import { describeRefusal } from '../../../core/words'
import type { Person } from '../../../shared/contracts/session'
import { announceJob } from '../news/service'
import { putInQueue } from '../../platform/queue'
import { EXPECTED_QUEUE } from '../../platform/queue-names'
import { appendLocked } from './append'

/** An entry that a file says was made by somebody, and when it arrived then. */
export interface BroughtEntry {
  event: JobEvent
  by: Person
  received: Date
}
interface Brought {
  /** Ids of those that were not there yet. */
  fresh: string[]
  there: number
  seq: number
  closed: boolean
}

/** Entries that belong together: of one person, at one moment. */
function together(entries: readonly BroughtEntry[]): BroughtEntry[][] {
  const out: BroughtEntry[][] = []
  for (const entry of entries) {
    const last = out.at(-1)
    const like = last?.[0]
    if (like?.by.id === entry.by.id && like.received.getTime() === entry.received.getTime()) last!.push(entry)
    else out.push([entry])
  }
  return out
}

/**
 * Takes entries of a job that stand in a file, in their order, through the same guard as any other, each as of the person who made it. What
 * is there already stays; what the job has meanwhile got here stays before them.
 *
 * @returns the entry that cannot be taken, where there is one: then nothing may stay of it
 */
export async function bringIn(
  job: string,
  entries: readonly BroughtEntry[],
  transaction: Transaction,
): Promise<Brought | { refused: string; why: string }> {
  const out: Brought = { fresh: [], there: 0, seq: 0, closed: false }
  for (const run of together(entries)) {
    const [{ by, received }] = run as [BroughtEntry]
    // Who may only look now could enter then.
    const who = by.role === 'read-only' ? { ...by, role: 'technician' as const } : by
    const events = run.map((e) => e.event)
    const outcome = await appendLocked(who, job, events, (at) => new Date(at), received, transaction)
    if ('refusal' in outcome) return { refused: events[0]!.id, why: describeRefusal(outcome.refusal) }
    for (const result of outcome.append.results) {
      if (result.status === 'refused') return { refused: result.id, why: result.message }
      if (result.status === 'accepted') out.fresh.push(result.id)
      else out.there++
    }
    out.seq = outcome.append.standing.seq
    out.closed = outcome.append.standing.closed !== undefined
  }
  return out
}

/** Tells everybody of a job that was brought in, once it is written. */
export function announceBrought(organisation: string, job: string, { seq, closed }: Brought): void {
  announceJob(organisation, job, seq)
  if (closed) void putInQueue(EXPECTED_QUEUE, { job }).catch(() => undefined)
}
