import { apply, type Find } from './apply'
import type { JobEvent } from './event-schema'
import { stillUnproven } from './proof'
import type { Refusal } from './refusal'
import type { SheetFacts } from './sheet-facts'
import type { JobStanding } from './standing'

/** What must not stay in or off a machine that is left with its user. */
export function refusesLeaving(job: JobStanding, payload: JobEvent['payload'], facts: SheetFacts): Refusal | undefined {
  if (payload.type !== 'closed' && payload.type !== 'awaits') return undefined
  const { bypasses, disconnected = [], clips = [] } = job
  if (bypasses.length) return { code: 'bypass-in', names: bypasses }
  if (clips.length) return { code: 'clips-in', names: clips }
  if (payload.type === 'awaits') return undefined
  if (payload.as === 'out-of-service') return job.unsafe?.answered ? undefined : { code: 'unsafe-unfinished' }
  if (payload.as !== undefined && payload.as !== 'works-now') return undefined
  if (disconnected.length) return { code: 'still-off', names: disconnected.map((d) => d.name) }
  // What was proved is proved of what was decided.
  const proofs = facts.repairs.find((r) => r.id === payload.repair)?.proof ?? []
  if (proofs.length && job.decided?.repair !== payload.repair) return { code: 'not-decided' }
  const open = stillUnproven(payload.repair || (job.decided?.repair ?? ''), facts, job)
  return open.length ? { code: 'unproven', names: open.map((p) => p.title) } : undefined
}

/** Of what may come late, that which takes back or turns what a closing rested on. */
const TURNS_PROOF: ReadonlySet<JobEvent['payload']['type']> = new Set(['retracted', 'proven', 'decided'])

/**
 * Whether a closed job would stand, after an entry of before its closing that comes late, as it could not have been closed: then that entry
 * waits for a reopening.
 *
 * @param find an event of the same job by its id; asked only for what a retraction names
 */
export function refusesLate(job: JobStanding, event: JobEvent, facts: SheetFacts, find: Find): Refusal | undefined {
  const { closed } = job
  if (!closed) return undefined
  const after = apply(job, { ...event, seq: job.seq + 1, by: closed.by }, find)
  if (!after.closed) return undefined
  const { repair, text, as } = closed
  const asClosed: JobEvent['payload'] = { type: 'closed', repair, text, ...(as ? { as } : {}) }
  const leaves = refusesLeaving(after, asClosed, facts)
  // What a closing of before left, when less was asked of one, is not this entry's.
  if (!leaves || leaves.code === refusesLeaving(job, asClosed, facts)?.code) return undefined
  const isProof = leaves.code === 'unproven' || leaves.code === 'not-decided'
  return isProof && !TURNS_PROOF.has(event.payload.type) ? undefined : { code: 'closed', names: leaves.names ?? [] }
}
