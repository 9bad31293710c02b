import { z } from 'zod'

/** How something is got at. */
export const accessShape = {
  tools: z.array(z.string()).min(1).optional().describe('tools for it'),
  fasteners: z.string().optional().describe('how many of what hold it, and where: "4 screws along the back edge"'),
  opens: z.string().optional().describe('which edge lifts first, which way it tips'),
  hangs: z.string().optional().describe('what hangs on it and is not to be torn or brushed off'),
}

const step = z.union([
  z.string(),
  z.strictObject({ do: z.string(), caution: z.string().describe('what bites at this step') }),
])

/** What is done to a part that is at fault. */
export const CURES = ['replace', 'clean', 'restore', 'remake'] as const

/** What hands need at a repair. */
export const repairNotesShape = {
  work: z
    .enum(CURES)
    .optional()
    .describe(
      'what is done to the part: without steps of its own the usual ones of such a part stand; by its faults when left out',
    ),
  steps: z.array(step).min(1).optional().describe('in their order, with which way round things go'),
  'look-at': z.array(z.string()).min(1).optional().describe('what is looked at and cleaned while it is open'),
  'part-number': z.string().optional(),
  kit: z.array(z.string()).min(1).optional().describe('what is in the kit'),
  substitutes: z
    .array(z.string())
    .min(1)
    .optional()
    .describe('what may stand in for a discontinued part, by voltage, temperature, contact type, thread, direction'),
  interim: z
    .strictObject({ text: z.string(), until: z.string().describe('by when it is done for good: "within four weeks"') })
    .optional()
    .describe('what tides over until it is done for good'),
  proved: z.string().optional().describe('how the new part is proved before it goes in'),
}
