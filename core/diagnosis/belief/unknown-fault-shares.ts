import { measurementType } from '../../simulation/measurements'
import type { Calibration } from '../calibration'
import type { Procedure } from '../catalogue'

/**
 * What a reading shows when the cause is something that the sheet does not list, as shares: what the healthy machine
 * shows there; what the listed causes show, as likely as each is by now; anything at all. A part measured, worked or
 * looked at by itself shows what it is: what is wrong elsewhere does not reach it.
 */
export const unknownFaultShares = (
  { measurement }: Procedure,
  { sharesAlone, sharesAcross }: Calibration['belief'],
): Calibration['belief']['sharesAlone'] =>
  measurementType(measurement).partAlone?.(measurement) ? sharesAlone : sharesAcross
