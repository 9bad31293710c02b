import type { Fault } from './types'

/** Whether a fault holds a mode of the machine at one value: what sticks, is open or is jammed. @param mode index into the modes */
export const holdsMode = ({ effects }: Fault, mode: number): boolean =>
  effects.some((e) => e.type === 'mode' && e.mode === mode)
