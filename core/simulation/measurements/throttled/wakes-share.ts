import type { Part } from '../../../model/kinds'
import { holdsMode, type Fault } from '../../../model/machine'

/**
 * Chance that a fault that rests acts when the pressure is taken away, 0 … 1: who had it says as often that it is so when the water is
 * weak. Nothing where the fault does not hold that mode of the part, or never rests.
 */
export const wakesShare = (fault: Fault, { mode }: Part, wakes: string): number =>
  fault.intermittentShare > 0 && holdsMode(fault, mode[wakes]) ? (fault.saidWith['weak-water'] ?? 0) : 0
