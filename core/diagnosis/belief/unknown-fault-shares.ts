import type { Procedure } from '../catalogue'

/**
 * What a reading shows when the cause is something that the sheet does not list, as shares: what the healthy machine
 * shows there; what the listed causes show, as likely as each is by now; anything at all.
 */
export interface UnknownFaultShares {
  healthy: number
  mixture: number
  broad: number
}

const ACROSS: UnknownFaultShares = { healthy: 0.35, mixture: 0.35, broad: 0.3 }
const ALONE: UnknownFaultShares = { healthy: 0.85, mixture: 0.05, broad: 0.1 }

/** A part measured, worked or looked at by itself shows what it is: what is wrong elsewhere does not reach it. */
export function unknownFaultShares({ measurement: what }: Procedure): UnknownFaultShares {
  if (what.type !== 'probe') return ACROSS
  const { probe } = what
  const alone =
    probe.type === 'worked' ||
    (probe.type === 'ohms' && probe.lifted) ||
    (probe.type === 'sense' && probe.when === 'dead' && !probe.with)
  return alone ? ALONE : ACROSS
}
