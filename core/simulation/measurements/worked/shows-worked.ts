import type { Part } from '../../../model/kinds'
import type { Fault } from '../../../model/machine'

/** Whether a fault shows when its part is worked or provoked: any of the part, or only what holds one mode of it. */
export const showsWorked = ({ part, effects }: Fault, { index, mode }: Part, only: string | undefined): boolean =>
  part === index && (only === undefined || effects.some((e) => e.type === 'mode' && e.mode === mode[only]))
