import type { Calibration } from '../diagnosis/calibration'
import type { Advice } from './advise'

/**
 * Readings to take again, by their place in the evidence: those in doubt; where nothing fits and none is, the most doubted one, for
 * one of them may be what does not let anything fit.
 */
export function doubtedReadings(
  { belief: { doubts }, plan }: Advice,
  { doubtAbove, retakenFrom }: Calibration['belief'],
): number[] {
  const inDoubt = [...doubts.keys()].filter((i) => doubts[i].grossError >= doubtAbove)
  if (inDoubt.length || plan.state !== 'unexplained' || !doubts.length) return inDoubt
  const most = [...doubts.keys()].reduce((a, b) => (doubts[b].grossError > doubts[a].grossError ? b : a))
  return doubts[most].grossError >= retakenFrom ? [most] : []
}

/** Chance of a gross error from which each reading is spoken of as in doubt, in their order: one to take again is, whatever its chance. */
export function doubtThresholds(advice: Advice, belief: Calibration['belief']): number[] {
  const again = new Set(doubtedReadings(advice, belief))
  return advice.belief.doubts.map(({ grossError }, i) => (again.has(i) ? grossError : belief.doubtAbove))
}
