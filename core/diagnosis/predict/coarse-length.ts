import { sparse } from '../../foundation/linear'
import { findMeter } from '../../simulation/instrument'
import type { PhaseTimes } from '../../simulation/simulate'
import type { Calibration } from '../calibration'
import { PROGRAM_START, type Procedure, type TestCatalogue } from '../catalogue'
import { endedByLimit } from './phase-length'
import type { Prediction, ValuePrediction } from './types'

/** Who leaves a phase so shortly before the machine is switched off would have stayed, s. */
const SWITCHED_OFF = 1e-6
const NOTHING_SHARED = sparse(new Float64Array(0))

/** A phase that has no length: it never begins, or it begins and lasts as long as the machine is on; else `undefined`. */
export function withoutLength(
  { runs, machine }: TestCatalogue,
  run: number,
  { from, to }: PhaseTimes,
): Prediction | undefined {
  if (Number.isNaN(from)) return { type: 'never' }
  const off = PROGRAM_START + machine.programs[runs[run].program].duration
  return to < off - SWITCHED_OFF ? undefined : { type: 'never-ended', seconds: off - from }
}

/** The length of a phase, s, with a broad share of itself as error instead of what each parameter does to it. */
export function coarseLength(
  catalogue: TestCatalogue,
  { run, meter, measurement }: Procedure,
  times: PhaseTimes,
  { modelSpread, coarseSpread, repeatability, timeLimitSlack }: Calibration['predict'],
): Prediction {
  const endless = withoutLength(catalogue, run, times)
  if (endless) return endless
  const seconds = times.to - times.from
  const { resolution } = findMeter(meter!)!
  const phase = measurement.type === 'duration' ? catalogue.machine.phases[measurement.phase] : undefined
  const limited = endedByLimit(phase?.timeLimits ?? [], seconds, timeLimitSlack)
  return roughTime(seconds, limited ? modelSpread : coarseSpread, resolution, repeatability)
}

/** A time, s, with a share of itself as error. @param resolution of the watch, s */
export const roughTime = (
  seconds: number,
  spread: number,
  resolution: number,
  repeatability: number,
): ValuePrediction => ({
  type: 'value',
  mean: seconds,
  sensitivity: NOTHING_SHARED,
  reproducibility: Math.hypot(resolution, spread * seconds),
  repeatability: repeatability * resolution,
})
