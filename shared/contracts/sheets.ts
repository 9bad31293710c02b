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

/** What a device needs of a revision for its first advice, as one state of the engine computes it: packed text. */
export const readPredictions = contract({
  method: 'GET',
  path: '/api/revisions/:revision/predictions/:engine',
  roles: EVERYBODY,
  params: z.strictObject({ revision: revisionHash, engine: z.string().regex(/^[0-9a-f]{1,64}$/) }),
  file: { type: 'application/gzip', most: 8_000_000 },
  answer: z.instanceof(Uint8Array),
})
