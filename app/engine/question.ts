import type { Kit } from '../../core/evidence'
import { barredFor, writtenOf, type Job, type Role } from '../../core/job'
import type { Acceptance, Question, Strategy } from './protocol'

/** Who asks the engine, as far as its answer depends on it. */
export interface Asking {
  role: Role
  kit: Pick<Kit, 'lacking' | 'beepsBelow'> | null
}

/** The log of a job as the engine takes it, asked by somebody: plain data, as it goes to the worker. */
export const questionOf = (
  job: Pick<Job, 'complaints' | 'circumstances' | 'strategy' | 'acceptance' | 'log'>,
  { role, kit }: Asking,
): Question => ({
  barred: barredFor(role),
  // How exact an instrument is, each reading says itself.
  kit: { lacking: [...(kit?.lacking ?? [])], beepsBelow: kit?.beepsBelow },
  strategy: job.strategy as Strategy,
  acceptance: job.acceptance as Acceptance,
  written: writtenOf(job),
})
