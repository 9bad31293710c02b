import type { Part } from '../../../model/kinds'
import type { Fault } from '../../../model/machine'

/**
 * Chance that tapping frees what a fault makes stick, 0 … 1: who had it says as often that it works when it is tapped. Nothing where
 * the fault does not hold that mode of the part.
 */
export function freedShare({ effects, saidWith }: Fault, { mode }: Part, sticks: string): number {
  return effects.some((e) => e.type === 'mode' && e.mode === mode[sticks]) ? (saidWith.tapping ?? 0) : 0
}
