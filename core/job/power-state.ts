import { standingAt, type JobStanding } from './apply'
import type { SafetyNeed } from './sheet-facts'

/** How a machine stands, by what somebody did and not by what somebody wished. In doubt it is live. */
export type PowerState =
  | { state: 'unknown' }
  /** Every supply is said to be off, and nobody has proved it. */
  | { state: 'isolated'; at: string; by: string; step: string }
  | { state: 'dead'; at: string; by: string; step: string }
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
        return own && { step: n.id, ...own }
      })
  const isolated = lastOf('isolates')
  const proved = lastOf('proves-dead')
  const after = (list: readonly ({ seq: number } | undefined)[]) =>
    list.length > 0 && list.every((c) => c !== undefined && c.seq > (job.liveSeq ?? 0))
  const newest = <T extends { seq: number }>(list: readonly (T | undefined)[]) =>
    list.filter((c) => c !== undefined).sort((a, b) => b.seq - a.seq)[0]!
  if (after(isolated) && after(proved)) {
    const { at: since, by, step } = newest(proved)
    return { state: 'dead', at: since, by, step }
  }
  if (after(isolated)) {
    const { at: since, by, step } = newest(isolated)
    return { state: 'isolated', at: since, by, step }
  }
  return job.live ? { state: 'live', ...job.live } : { state: 'unknown' }
}
