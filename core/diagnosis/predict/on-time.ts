import type { Calibration } from '../calibration'
import type { Procedure, TestCatalogue } from '../catalogue'
import { withoutLength } from './coarse-length'
import type { StateSensitivity } from './state-sensitivity'
import type { RunRecord } from './types'

/** Whether what was still on when it was last looked at would have gone on: nothing but the end of the watch ended the stretch. */
export function goesOn(catalogue: TestCatalogue, { run, watch }: Procedure, { phases }: RunRecord): boolean {
  const { through } = catalogue.runs[run].script.watches![watch!]
  return through.type === 'time' || withoutLength(catalogue, run, phases[through.phase]) !== undefined
}

/** How far a time may be off. */
export interface OnTimeSpread {
  /** Change for +1 standard deviation of each parameter of the machine, s. */
  sensitivity: Float64Array
  /** One standard deviation of what is its own, s. */
  stray: number
}

/**
 * How far the time for which a signal is on may be off: with each parameter by the same share of itself as on the healthy machine.
 * What is cut short or goes on for longer is ended by something else than there, and gets a broad share of itself as error.
 *
 * @param seconds for which it is on under the hypothesis
 * @param usual the same on the healthy machine, 0 where it never is
 */
export function onTimeSpread(
  states: StateSensitivity,
  { run, watch }: Procedure,
  seconds: number,
  usual: number,
  { otherEnd, sameEnd }: Calibration['predict'],
): OnTimeSpread {
  const changes = states.of(run).onTimes[watch!]!
  return Math.abs(seconds - usual) <= sameEnd * usual
    ? { sensitivity: changes.map((x) => x * seconds), stray: 0 }
    : { sensitivity: new Float64Array(changes.length), stray: otherEnd * seconds }
}
