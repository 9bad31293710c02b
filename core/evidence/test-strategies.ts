/** The named orders in which good practitioners differ; `best` lets the saving decide alone. */
export const TEST_STRATEGIES = [
  'best',
  'live-first',
  'dead-first',
  'water-first',
  'by-hand-first',
  'control-first',
  'own-sequence',
] as const
export type TestStrategy = (typeof TEST_STRATEGIES)[number]
