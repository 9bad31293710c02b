import type { Intervention } from '../../model/machine'
import type { Belief } from '../belief'
import { PROGRAM_START, type Procedure, type WorkStep } from '../catalogue'
import type { Predictor } from '../predict'

/**
 * How much longer a test is expected to take than on the healthy machine, as the belief stands: what runs over is waited for
 * until it ends by its limit or the patience of whoever waits does; what never comes is given up when it should have come.
 *
 * @param weights posterior of the hypotheses that count, by place in the belief
 * @param steps on the way to it: where no program is waited for, nothing is longer
 * @returns minutes, negative where it is expected to be over sooner
 */
export function overrun(
  predictor: Predictor,
  { hypotheses }: Belief,
  weights: Float64Array,
  { measurement, run, moment, needs, watch, minutes }: Procedure,
  steps: readonly WorkStep[],
  interventions: readonly Intervention[],
): number {
  const { arrival } = needs
  if (!arrival) return 0
  const { overrunWaited } = predictor.calibration.plan
  const patience = overrunWaited * 60
  const waits = steps.some((s) => s.type === 'start' || s.type === 'wait')
  const duration = measurement.type === 'duration' ? measurement.phase : undefined
  const timed = measurement.type === 'on-time'
  /** Seconds from the start of the program to the end of the test. */
  const secondsUnder = (place: number): number => {
    const { arrivals, phases, on } = predictor.course(hypotheses[place], run, interventions)
    if (duration === undefined) {
      const seen = watch === undefined ? undefined : on[watch]
      // Who sees nothing waits for as long as it should have been there.
      if (seen !== undefined) return arrival.seconds + (timed ? Math.min(seen || usualOn, usualOn + patience) : 0)
      const at = arrivals[moment]
      return at === undefined ? arrival.seconds : Math.min(at - PROGRAM_START, arrival.seconds + patience)
    }
    const { from, to } = phases[duration]
    if (Number.isNaN(from)) return arrival.seconds
    const end = Math.min(Number.isNaN(to) ? Infinity : to, from + (healthyLength ?? 0) + patience)
    return waits ? end - PROGRAM_START : arrival.seconds + end - from
  }
  const healthy = predictor.course(predictor.healthy, run)
  const phase = duration === undefined ? undefined : healthy.phases[duration]
  const healthyLength = phase && phase.to - phase.from
  const usualOn = timed ? (healthy.on[watch!] ?? 0) : 0
  const usual = arrival.seconds + (healthyLength ?? usualOn)
  if (!waits && duration === undefined && !timed) return 0
  let [longer, mass] = [0, 0]
  weights.forEach((p, place) => {
    if (p === 0) return
    mass += p
    longer += p * (secondsUnder(place) - usual)
  })
  // However soon it is over, somebody has gone there and looked.
  return mass > 0 ? Math.max(longer / mass / 60, timed ? -minutes / 2 : -Infinity) : 0
}
