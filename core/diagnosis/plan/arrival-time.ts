import { PROGRAM_START, type Procedure } from '../catalogue'
import type { Predictor } from '../predict'

/** When the healthy machine has come to where a test is taken, s after its program was begun; NaN where it waits for no phase. */
export function arrivalTime(predictor: Predictor, { run, moment, measurement, needs }: Procedure): number {
  const { runs } = predictor.catalogue
  if (measurement.type === 'duration')
    return predictor.run(predictor.healthy, run).phases[measurement.phase].to - PROGRAM_START
  return needs.arrival && runs[run].script.moments[moment].type === 'phase' ? needs.arrival.seconds : NaN
}
