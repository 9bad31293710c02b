/** What following the advice should come to: the figures of quality with their aims, in one place for every table. */
export const QUALITY_AIMS = {
  /** Minutes of the best named order, and of the literal checklist. */
  ofNamed: 0.8,
  ofChecklist: 0.7,
  /** Parts fitted in vain, of 100 calls. */
  inVain: 1,
  /** %: right in the end with one fault, with two. */
  right: 99,
  pairs: 90,
  /** %: stated above 95 % and wrong; the same on a sheet whose values are off by 20 %. */
  sureAndWrong: 1,
  wrongSheet: 4,
  /** %: of what is left off the sheet, noticed; of what is listed, said to fit nothing. */
  noticed: 90,
  noFit: 3,
  /** Calls that the pooled figures should stand on. */
  pooled: { singles: 1000, pairs: 400, unlisted: 400 },
  /** Minutes over the optimum, mean. */
  optimum: 1.03,
} as const
