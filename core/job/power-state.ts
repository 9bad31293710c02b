import { standingAt, type JobStanding } from './standing'
import type { SafetyNeed } from './sheet-facts'

/** How a machine stands, by what somebody did and not by what somebody wished. In doubt it is live. */
export type PowerState =
  | { state: 'unknown' }
  /** Every supply is said to be off, and nobody has proved it. */
  | { state: 'isolated'; at: string; by: string; step: string }
  | { state: 'dead'; at: string; by: string; step: string; where?: string }
  | { state: 'live'; at: string; by: string }

/** @param at now: what was confirmed on another day counts no more */
export function powerState(
  job: Pick<JobStanding, 'safety' | 'lastAt' | 'confirmed' | 'live' | 'liveSeq'>,
  needs: readonly SafetyNeed[],
  at: string,
): PowerState {
  const { safety, confirmed = {} } = standingAt(job, at)
  const lastOf = (does: SafetyNeed['does']) =>
    needs
      .filter((n) => n.does === does)
      .map((n) => {
        const own = (safety[n.id] ?? []).flatMap((id) => confirmed[id] ?? []).sort((a, b) => b.seq - a.seq)[0]
        return own && { step: n.id, where: n.at, ...own }
      })
  const isolated = lastOf('isolates')
  const proved = lastOf('proves-dead')
  const after = (list: readonly ({ seq: number } | undefined)[]) =>
    list.length > 0 && list.every((c) => c !== undefined && c.seq > (job.liveSeq ?? 0))
  const newest = <T extends { seq: number }>(list: readonly (T | undefined)[]) =>
    list.filter((c) => c !== undefined).sort((a, b) => b.seq - a.seq)[0]!
  if (after(isolated) && after(proved)) {
    const { at: since, by, step, where } = newest(proved)
    return { state: 'dead', at: since, by, step, ...(where ? { where } : {}) }
  }
  if (after(isolated)) {
    const { at: since, by, step } = newest(isolated)
    return { state: 'isolated', at: since, by, step }
  }
  return job.live ? { state: 'live', ...job.live } : { state: 'unknown' }
}

/** Whether the water is shut or on, since when and by whom. */
export interface WaterState {
  state: 'shut' | 'on'
  at: string
  by: string
}

/**
 * Whether the water is shut or on, by what somebody did. In doubt it is under pressure.
 *
 * @param at now: what was shut on another day counts no more
 * @returns `undefined` where nobody shut it on this visit
 */
export function waterState(job: Pick<JobStanding, 'safety' | 'lastAt' | 'water'>, at: string): WaterState | undefined {
  if (!job.water || standingAt(job, at) !== job) return undefined
  const { shut, at: since, by } = job.water
  return { state: shut ? 'shut' : 'on', at: since, by }
}
