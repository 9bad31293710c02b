/** What somebody has with them to measure with. */
export interface Kit {
  /** Ids of instruments that are not at hand; what is not named is. */
  lacking: readonly string[]
  /** Resistance below which the continuity beeper sounds, Ω; `undefined` where that is not known. */
  beepsBelow?: number | undefined
}

/** Everything at hand. */
export const WHOLE_KIT: Kit = { lacking: [] }
