import { z } from 'zod'
import { contract } from './contract'

/** What holds for everybody of an organisation. */
export const rules = z.strictObject({
  /** What an hour of work costs, in minor units. */
  hourMinor: z.int().min(1).max(100_000_000),
  /** A day of work, minutes after midnight. */
  workBegins: z.int().min(0).max(1439),
  workEnds: z.int().min(1).max(1440),
  /** Between two visits, minutes. */
  travelMinutes: z.int().min(0).max(240),
  /** Photos, signatures, remarks and reports of a closed job are erased after so many months; `null`: when somebody asks. */
  keepPapersMonths: z.int().min(1).max(600).nullable(),
})
export type Rules = z.infer<typeof rules>

export const readRules = contract({
  method: 'GET',
  path: '/api/organisation',
  roles: ['lead'],
  answer: z.object({ rules, /** Jobs whose papers would be erased now. */ due: z.int() }),
})

export const writeRules = contract({
  method: 'PUT',
  path: '/api/organisation',
  roles: ['lead'],
  body: rules.refine((r) => r.workBegins < r.workEnds, 'A day ends after it begins.'),
  answer: z.object({ rules, due: z.int() }),
})
