import type { Part } from '../../../model/kinds'
import { holdsMode, type Fault } from '../../../model/machine'

/** Whether a fault shows when its part is worked or provoked: any of the part, or only what holds one mode of it. */
export const showsWorked = (fault: Fault, { index, mode }: Part, only: string | undefined): boolean =>
  fault.part === index && (only === undefined || holdsMode(fault, mode[only]))
