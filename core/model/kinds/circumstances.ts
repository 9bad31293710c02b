/**
 * What people say of the days before: each with how often it is said whatever the cause. Kinds and sheets say of which faults it
 * is said more often. A closed list: half of it stands in nobody's tech sheet, and all of it is said of every family.
 */
export const CIRCUMSTANCES = {
  moved: { words: 'It was moved or put back lately', usual: 0.05 },
  'worked-on': { words: 'Somebody worked on it lately', usual: 0.07 },
  cleaned: { words: 'It or its filters were cleaned lately', usual: 0.07 },
  plumbing: { words: 'Work on the water pipes lately', usual: 0.04 },
  tapping: { words: 'It works when it is tapped', usual: 0.03 },
  'now-and-then': { words: 'Only now and then', usual: 0.15 },
  'when-hot': { words: 'Only when it has become hot', usual: 0.05 },
  'weak-water': { words: 'Only while the water pressure is low', usual: 0.03 },
  slowly: { words: 'It got worse slowly', usual: 0.15 },
} as const satisfies Record<string, { words: string; usual: number }>

export type CircumstanceId = keyof typeof CIRCUMSTANCES

export const CIRCUMSTANCE_IDS = Object.keys(CIRCUMSTANCES) as CircumstanceId[]

/** How often a circumstance is said where a fault is the cause, 0 … 1, for those that are said more or less often than usual. */
export type SaidWith = Partial<Record<CircumstanceId, number>>
