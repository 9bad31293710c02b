/** What somebody has with them to measure with. */
export interface Kit {
  /** Ids of instruments that are not at hand; what is not named is. */
  lacking: readonly string[]
  /** Resistance below which the continuity beeper sounds, Ω; `undefined` where that is not known. */
  beepsBelow?: number | undefined
  /** Limits of error as their papers give them, shares of the reading, by instrument; one that is not named is as usual. */
  accuracy?: Readonly<Record<string, number>> | undefined
}

/** Limits of error that an instrument may have, shares of the reading. */
export const ACCURACY = { least: 0.0005, most: 0.3 }

/** Everything at hand. */
export const WHOLE_KIT: Kit = { lacking: [] }
