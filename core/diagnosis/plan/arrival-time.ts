import { PROGRAM_START, type Procedure } from '../catalogue'
import type { Predictor } from '../predict'

/** When the healthy machine has come to where a test is over, s after its program was begun; NaN where it waits for no phase. */
export function arrivalTime(predictor: Predictor, { run, moment, measurement, needs }: Procedure): number {
  const { runs } = predictor.catalogue
  if (measurement.type === 'duration')
    return predictor.course(predictor.healthy, run).phases[measurement.phase].to - PROGRAM_START
  return needs.arrival && runs[run].script.moments[moment].type === 'phase' ? needs.arrival.seconds : NaN
}

/**
 * From when on a machine comes to nothing any more, s after its program was begun on a healthy one: what would come then or
 * later is not asked for. NaN where the reading says nothing of that.
 *
 * @param found a test whose moment never came, or a phase that never ended
 */
export function stoppedBefore(predictor: Predictor, procedure: Procedure, found: 'never' | 'never-ended'): number {
  const { measurement, run } = procedure
  // What is timed on the way may not begin, or go on, in a program that runs through.
  if (measurement.type === 'on-time') return NaN
  if (found === 'never' && measurement.type === 'duration')
    return predictor.course(predictor.healthy, run).phases[measurement.phase].from - PROGRAM_START
  return arrivalTime(predictor, procedure)
}
