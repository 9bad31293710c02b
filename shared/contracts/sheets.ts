import { z } from 'zod'
import { contract, EVERYBODY } from './contract'

export const revisionHash = z.string().regex(/^[0-9a-f]{64}$/)

/** The sheets that a unit can be given. */
export const listSheets = contract({
  method: 'GET',
  path: '/api/sheets',
  roles: EVERYBODY,
  answer: z.object({
    sheets: z.array(z.object({ id: z.string(), title: z.string(), revision: revisionHash, number: z.int() })),
  }),
})

/** One revision, whole: the sheet first, then all that it extends or brings. It never changes. */
export const readRevision = contract({
  method: 'GET',
  path: '/api/revisions/:revision',
  roles: EVERYBODY,
  params: z.strictObject({ revision: revisionHash }),
  answer: z.object({
    revision: revisionHash,
    sheet: z.string(),
    number: z.int(),
    files: z.array(z.object({ id: z.string(), file: z.string(), text: z.string() })).min(1),
  }),
})
