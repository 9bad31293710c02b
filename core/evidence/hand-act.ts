/**
 * What hands do to a machine, each with its own safety: open a panel; touch terminals; reach into a compartment; take a
 * hose or a screen off, or turn a bleed (`water` where the machine must stay on for it); give an opened machine its power
 * back; give it its water back (`fill`); read on live parts.
 */
export type HandAct = 'open' | 'terminals' | 'reach' | 'hose' | 'water' | 'power' | 'fill' | 'live'

/** What is done for a free reading of volts, or for a bridge to be read across. */
export const LIVE_ACTS: readonly HandAct[] = ['terminals', 'power', 'live']
/** What is done for a free reading of ohms, or for a repair. */
export const DEAD_ACTS: readonly HandAct[] = ['open', 'terminals']

/** Whether hands are in the machine for these acts, and must come out before it gets its power back. */
export const handsGoIn = (acts: readonly HandAct[]): boolean =>
  acts.some((act) => act === 'open' || act === 'terminals' || act === 'reach')

/**
 * What a safety step brings about: the meter is proved, every supply is off, it is proved dead, the water is shut, pressure and
 * heat are let go, an opened machine may have its power back, the water is on again, a person is ready for live work.
 */
export const SAFETY_EFFECTS = [
  'proves-meter',
  'isolates',
  'proves-dead',
  'shuts-water',
  'lets-go',
  'gives-back',
  'opens-water',
  'readies',
] as const
export type SafetyEffect = (typeof SAFETY_EFFECTS)[number]
