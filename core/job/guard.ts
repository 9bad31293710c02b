import type { JobEvent, SafetyNeed } from './events'
import type { Job } from './fold'

export type School = 'live' | 'dead' | 'water' | 'look'

/**
 * The safety steps that must be confirmed before a test of a school: looking needs those before anything, dead and
 * water work also those before dead work, live work all of them.
 */
export function missingSteps(school: School, needs: readonly SafetyNeed[], job: Pick<Job, 'safety'>): SafetyNeed[] {
  const wanted: SafetyNeed['before'][] =
    school === 'look' ? ['anything'] : school === 'live' ? ['anything', 'dead', 'live'] : ['anything', 'dead']
  return needs.filter((n) => wanted.includes(n.before) && !job.safety.includes(n.id))
}

export type Refusal =
  | { why: 'make-safe-first'; steps: string[] }
  | { why: 'jumper-in'; parts: string[] }
  | { why: 'closed' }
  | { why: 'not-opened' }
  | { why: 'opened-twice' }

/**
 * Whether an event may be appended to a job as it stands.
 *
 * @param schoolOf the school of a test; `undefined` for an unknown test
 */
export function refuses(
  job: Job,
  event: JobEvent,
  needs: readonly SafetyNeed[],
  schoolOf: (test: string, instrument: string | undefined) => School | undefined,
): Refusal | undefined {
  const { what } = event
  if (what.is === 'opened') return job.machine === undefined ? undefined : { why: 'opened-twice' }
  if (job.machine === undefined) return { why: 'not-opened' }
  if (job.closed && what.is !== 'reopened' && what.is !== 'note') return { why: 'closed' }
  if (what.is === 'reading') {
    const school = schoolOf(what.test, what.instrument)
    const missing = school === undefined ? [] : missingSteps(school, needs, job)
    if (missing.length) return { why: 'make-safe-first', steps: missing.map((m) => m.id) }
  }
  // A jumper is fitted dead on a machine that was made safe.
  if (what.is === 'action' && what.action.verb === 'jumper') {
    const missing = missingSteps('live', needs, job)
    if (missing.length) return { why: 'make-safe-first', steps: missing.map((m) => m.id) }
  }
  if (what.is === 'closed' && job.jumpers.length) return { why: 'jumper-in', parts: job.jumpers }
  return undefined
}
