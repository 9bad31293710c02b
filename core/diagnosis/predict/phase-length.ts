import type { Intervention, Machine } from '../../model/machine'
import type { Calibration } from '../calibration'
import type { Hypothesis } from '../hypotheses'
import type { RunCache } from './run-cache'
import type { StateSensitivity } from './state-sensitivity'
import type { RunRecord } from './types'

/**
 * Whether a phase that lasted so many seconds was ended by one of its limits.
 *
 * @param limits s
 * @param slack s
 */
export const endedByLimit = (limits: readonly number[], seconds: number, slack: number): boolean =>
  limits.some((limit) => Math.abs(limit - seconds) < slack)

/** Parameters that set a pressure of the water. */
const pressureParams = ({ parts, kinds, params }: Machine): number[] =>
  parts
    .filter((p) => kinds[p.index].fixedPressures)
    .flatMap((p) => Object.values(p.param).filter((i) => params[i].dimension === 'pressure' && params[i].sd > 0))

/** What is needed to say how far a phase may be off its length. */
export interface PhaseRun {
  machine: Machine
  runs: RunCache
  states: StateSensitivity
  healthy: Hypothesis
  calibration: Calibration['predict']
}

/**
 * Change of the length of a phase with each parameter, s: its share of the length, as on the healthy machine. A phase that is
 * cut short waits for the same mark as ever, and has as many seconds to be wrong by; one that ends by its limit has none, as long
 * as it is well beyond; one that is drawn out moves with the pressures at hand, which a regulator may keep from it when all is well.
 */
export function phaseLengthSensitivity(
  { machine, runs, states, healthy, calibration }: PhaseRun,
  hypothesis: Hypothesis,
  phase: number,
  run: number,
  interventions: readonly Intervention[],
): Float64Array {
  const { instant, drawnOut, timeLimitSlack } = calibration
  const lengthIn = (phases: RunRecord['phases']) => phases[phase].to - phases[phase].from
  const seconds = lengthIn(runs.onVisit(hypothesis, run, interventions).phases)
  const usual = lengthIn(runs.onVisit(healthy, run).phases)
  const over = seconds < instant || Number.isNaN(usual) ? seconds : Math.max(seconds, usual)
  const pressed = (seconds > drawnOut * usual ? pressureParams(machine) : []).map((index) => {
    const change = lengthIn(runs.perturbedPhases(hypothesis, run, interventions, index)) - seconds
    return { index, change: Number.isFinite(change) ? change : 0 }
  })
  const limited = endedByLimit(machine.phases[phase].timeLimits, seconds, timeLimitSlack)
  if (limited && pressed.every(({ change }) => change === 0)) return new Float64Array(machine.params.length)
  const moved = states.of(run).lengths[phase].map((x) => x * over)
  for (const { index, change } of pressed) moved[index] = change
  return moved
}
