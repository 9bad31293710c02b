import { readEvidence, type WorkMode } from '../evidence'
import type { Problem } from '../foundation/issues'
import { isRetractable, standingAt, type JobStanding } from './apply'
import type { JobEvent, SequencedEvent } from './event-schema'
import { findTest, vocabularyFrom, type SafetyNeed, type SheetFacts } from './sheet-facts'

/** What a person may do in an organisation. */
export type Role = 'lead' | 'technician' | 'trainee' | 'read-only'

/** Work that a role may not do: a test of it is neither offered to such a person nor taken from them. */
export const barredFor = (role: Role): WorkMode[] => (role === 'trainee' ? ['energised'] : [])

/** Why an event was not taken. The sentence for each stands in the words room. */
export type RefusalCode =
  | 'make-safe-first'
  | 'bypass-in'
  | 'closed'
  | 'not-opened'
  | 'opened-twice'
  | 'no-live-work'
  | 'read-only'
  | 'unknown-name'
  | 'bad-reading'
  | 'not-retractable'
  | 'wrong-shape'
  | 'too-large'
  | 'id-taken'
  | 'unknown-unit'
  | 'unknown-revision'

export interface Refusal {
  code: RefusalCode
  /** Steps still missing, parts still bridged. */
  names?: string[]
  /** What is wrong with the names and readings of it. */
  problems?: Problem[]
}

/**
 * The safety steps that must be confirmed before a test: observing needs those before anything, isolated and
 * water work also those before isolated work, energised work all of them.
 *
 * @param at now: what was confirmed on another day counts no more
 */
export function missingSteps(
  workMode: WorkMode,
  needs: readonly SafetyNeed[],
  job: Pick<JobStanding, 'safety' | 'lastAt'>,
  at: string,
): SafetyNeed[] {
  const { safety } = standingAt(job, at)
  const wanted: SafetyNeed['before'][] =
    workMode === 'observe'
      ? ['anything']
      : workMode === 'energised'
        ? ['anything', 'isolated', 'energised']
        : ['anything', 'isolated']
  return needs.filter((n) => wanted.includes(n.before) && !safety[n.id]?.length)
}

/** What is wrong with the names and readings of an event, against its sheet. */
function problemsOf({ payload }: JobEvent, facts: SheetFacts): { code: RefusalCode; problems: Problem[] } | undefined {
  const vocabulary = vocabularyFrom(facts)
  const asEvidence = (written: object, code: RefusalCode) => {
    const read = readEvidence([written], vocabulary)
    if (!read.ok) return { code, problems: read.problems }
    // What was understood where it was typed is what the text says, or one of the two is not what was read.
    const [own] = read.value
    const value = payload.type === 'reading' ? payload.value : undefined
    const same = !value || (own?.type === 'reading' && JSON.stringify(own.value) === JSON.stringify(value))
    return same ? undefined : { code: 'bad-reading' as const, problems: [] }
  }
  const unless = (known: boolean) => (known ? undefined : { code: 'unknown-name' as const, problems: [] })
  switch (payload.type) {
    case 'reading':
      return asEvidence(
        { test: payload.test, reading: payload.text, instrument: payload.instrument },
        findTest(facts, payload.test, payload.instrument) ? 'bad-reading' : 'unknown-name',
      )
    case 'action':
      return asEvidence({ action: `${payload.action.verb} ${payload.action.target ?? ''}` }, 'unknown-name')
    case 'opened':
      return [
        ...payload.complaints.map((complaint) => ({ complaint })),
        ...(payload.circumstances ?? []).map((circumstance) => ({ circumstance })),
      ]
        .map((said) => asEvidence(said, 'unknown-name'))
        .find((p) => p)
    case 'closed':
      return unless(payload.repair === '' || facts.repairs.some((r) => r.id === payload.repair))
    case 'safety':
      return unless(facts.needs.some((n) => n.id === payload.step))
    default:
      return undefined
  }
}

/**
 * Whether an event may be appended to a job as it stands.
 *
 * @param target the event that a retraction names
 * @returns why not, or `undefined`. What was entered before a closing that came first is let in: it counts as late
 */
export function refuses(
  job: JobStanding,
  event: JobEvent,
  facts: SheetFacts,
  role: Role,
  target?: Pick<SequencedEvent, 'payload'>,
): Refusal | undefined {
  const { payload } = event
  if (role === 'read-only') return { code: 'read-only' }
  if (payload.type === 'opened') return job.unit === undefined ? problemsOf(event, facts) : { code: 'opened-twice' }
  if (job.unit === undefined) return { code: 'not-opened' }
  if (job.closed) {
    const late = event.baseSeq < job.closed.seq && payload.type !== 'closed'
    if (!late && payload.type !== 'reopened' && payload.type !== 'note') return { code: 'closed' }
  }
  const wrong = problemsOf(event, facts)
  if (wrong) return wrong
  if (payload.type === 'retracted' && !(target && isRetractable(target.payload))) return { code: 'not-retractable' }
  const workMode =
    payload.type === 'reading'
      ? findTest(facts, payload.test, payload.instrument)?.workMode
      : // A jumper is fitted dead on a machine that was made safe, to be read live.
        payload.type === 'action' && payload.action.verb === 'jumper'
        ? 'energised'
        : undefined
  if (workMode !== undefined && barredFor(role).includes(workMode)) return { code: 'no-live-work' }
  const missing = workMode === undefined ? [] : missingSteps(workMode, facts.needs, job, event.at)
  if (missing.length) return { code: 'make-safe-first', names: missing.map((m) => m.id) }
  if (payload.type === 'closed' && job.bypasses.length) return { code: 'bypass-in', names: job.bypasses }
  return undefined
}
