import type { Part } from '../../../model/kinds'
import { holdsMode, type Fault } from '../../../model/machine'

/**
 * Chance that tapping frees what a fault makes stick, 0 … 1: who had it says as often that it works when it is tapped. Nothing where
 * the fault does not hold that mode of the part.
 */
export const freedShare = (fault: Fault, { mode }: Part, sticks: string): number =>
  holdsMode(fault, mode[sticks]) ? (fault.saidWith.tapping ?? 0) : 0
