/** Shares from which a candidate explains the evidence as well as what is listed, and explains it at all. */
const AS_WELL = 0.3
const RARER = 0.02

/** How well something that the sheet does not list explains the evidence, from its weight beside all that is listed, 0 … 1. */
export const describeCandidate = (share: number): string =>
  share >= AS_WELL ? 'explains it as well' : share >= RARER ? 'explains it, but is rarer' : 'hardly explains it'
